using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Endings;

/// <summary>Ends after a number of counted taps, in a match of all sides together.</summary>
/// <param name="Count">How many are enough, 1 or more.</param>
public sealed record TapsEnding(int Count) : Ending
{
    /// <summary>How it stands on a card.</summary>
    public static EndingKind Kind { get; } =
        new(
            property: "taps",
            label: "taps",
            template: "10",
            amount: Schema.Whole(1),
            read: static (amount, _) => new TapsEnding(amount.Whole(1))
        );

    internal override MatchEnd InMatch => MatchEnd.Ranked;

    internal override string Words(Stage stage) => $"over after {Phrase.Of(Count, "tap")} {Share(stage)}";

    internal override bool IsMet(UnitTally unit, UnitTally[] units, Play play) =>
        Shared(unit, units, play, static tally => tally.Taps) >= Count;
}
