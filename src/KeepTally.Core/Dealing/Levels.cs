using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;

namespace KeepTally.Core.Dealing;

/// <summary>How strong players are by a result: what groups are made level by.</summary>
public static class Levels
{
    /// <summary>
    /// The level of each player who was tapped, by what the stage ranks by first, high for strong; none where players do not
    /// score alone.
    /// </summary>
    public static IEnumerable<(PlayerId Player, double Level)> Of(Stage stage, ScoreReport report)
    {
        if (stage.Scores != Scorer.Player)
        {
            yield break;
        }

        var measure = stage.Measures[0];
        var units = report.Units.Select(unit => GameTotals.Of(stage, report.Games, unit.Id));
        foreach (var unit in units.Where(unit => unit.Counts.Any(count => count.Value > 0)))
        {
            if (unit.Value(measure) is { } value)
            {
                yield return (unit.Id, measure.Better == Better.High ? value : -value);
            }
        }
    }
}
