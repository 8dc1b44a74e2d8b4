using KeepTally.Core.Cards;
using KeepTally.Core.Scoring;

namespace KeepTally.Core.Loads;

/// <summary>How many throws (or jumps, hits) a player's taps stand for, by the card's <c>load</c>. Source: docs/formats.md, section 1.</summary>
public static class LoadCount
{
    /// <summary>One for each attempt, or for each counted tap; what is counted of a job, as a rebound, is no load of it.</summary>
    public static int Of(Load load, Stage stage, UnitReport unit) =>
        load.Per == "attempt"
            ? unit.Attempts
            : unit
                .Counts.Where(count => !stage.Outcomes.Any(outcome => outcome.Id == count.Key && outcome.Job is not null))
                .Sum(count => count.Value);
}
