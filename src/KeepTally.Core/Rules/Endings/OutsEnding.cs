using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Endings;

/// <summary>Ends after a number of outs.</summary>
/// <param name="Count">How many are enough, 1 or more.</param>
public sealed record OutsEnding(int Count) : Ending
{
    /// <summary>How it stands on a card.</summary>
    public static EndingKind Kind { get; } =
        new(
            property: "outs",
            label: "outs",
            template: "3",
            amount: Schema.Whole(1),
            read: static (amount, _) => new OutsEnding(amount.Whole(1))
        );

    internal override MatchEnd InMatch => MatchEnd.Lost;

    internal override bool Finishes => false;

    internal override string Words(Stage stage) => $"over at {Phrase.Of(Count, "out")}";

    internal override bool IsMet(UnitTally unit, UnitTally[] units, Play play) => unit.Outs >= Count;
}
