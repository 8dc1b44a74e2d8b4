using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Endings;

/// <summary>A number of successful attempts.</summary>
/// <param name="Count">How many are enough, 1 or more.</param>
public sealed record SuccessesEnding(int Count) : Ending
{
    /// <summary>How it stands on a card.</summary>
    public static EndingKind Kind { get; } =
        new(
            property: "successes",
            label: "makes",
            template: "10",
            amount: Schema.Whole(1),
            read: static (amount, _) => new SuccessesEnding(amount.Whole(1))
        );

    internal override string Words(Stage stage) => $"{Reach(stage)} {ResultNames.Makes(stage, Count)}";

    internal override bool IsMet(UnitTally unit, UnitTally[] units, Play play) => unit.Successes >= Count;
}
