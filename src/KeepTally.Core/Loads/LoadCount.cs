using KeepTally.Core.Cards;
using KeepTally.Core.Scoring;

namespace KeepTally.Core.Loads;

/// <summary>How many throws (or jumps, hits) a player's taps stand for, by the card's <c>load</c>. Source: docs/formats.md, section 1.</summary>
public static class LoadCount
{
    /// <summary>One for each attempt, or for each counted tap.</summary>
    public static int Of(Load load, UnitReport unit) =>
        load.Per == "attempt" ? unit.Attempts : unit.Counts.Sum(count => count.Value);
}
