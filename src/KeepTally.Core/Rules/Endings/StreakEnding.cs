using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Endings;

/// <summary>Ends after a number of successes in a row.</summary>
/// <param name="Count">How many are enough, 1 or more.</param>
public sealed record StreakEnding(int Count) : Ending
{
    /// <summary>How it stands on a card.</summary>
    public static EndingKind Kind { get; } =
        new(
            property: "streak",
            label: "in a row",
            template: "5",
            amount: Schema.Whole(1),
            read: static (amount, _) => new StreakEnding(amount.Whole(1))
        );

    internal override bool CountsRuns => true;

    internal override string Words(Stage stage) => $"{Reach(stage)} {StreakWords.Of(stage, Count)}";

    internal override bool IsMet(UnitTally unit, UnitTally[] units, Play play) => unit.Streak >= Count;
}
