using KeepTally.Core.Cards;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Measures;

/// <summary>The figures by which a unit is ranked.</summary>
internal static class UnitFigures
{
    /// <param name="running">Milliseconds of the unit's own running time.</param>
    internal static Figures Of(Stage stage, UnitTally unit, long running) =>
        new(
            unit.Points,
            unit.Attempts,
            unit.Successes,
            unit.BestStreak,
            unit.Cleared,
            running,
            unit.Outs,
            unit.Place,
            unit.Readings.Count == 0 ? null : Best(stage, unit.Readings),
            unit.Readings.Count == 0 ? null : unit.Readings.Mean,
            unit.Late,
            unit.Voids
        );

    /// <summary>The best reading follows the first measure that ranks by readings: low where it says low, else high.</summary>
    internal static double Best(Stage stage, Readings readings)
    {
        foreach (var measure in stage.Measures)
        {
            if (measure.By.IsReading)
            {
                return measure.Better == Better.Low ? readings.Low : readings.High;
            }
        }

        return readings.High;
    }
}
