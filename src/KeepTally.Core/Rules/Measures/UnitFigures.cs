using KeepTally.Core.Cards;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Rules.Measures;

/// <summary>The figures by which a unit is ranked.</summary>
internal static class UnitFigures
{
    /// <param name="stage">The stage of the card.</param>
    /// <param name="unit">The tally of the unit.</param>
    /// <param name="ran">The running time that is the unit's own.</param>
    internal static Figures Of(Stage stage, UnitTally unit, Duration ran) =>
        new Figures
        {
            Points = unit.Points,
            Attempts = unit.Attempts,
            Successes = unit.Successes,
            BestStreak = unit.BestStreak,
            Cleared = unit.Cleared,
            Running = ran,
            Finished = unit.Finished,
            Outs = unit.Outs,
            Place = unit.Place,
            ReadingBest = unit.Readings.Count == 0 ? null : Best(stage, unit.Readings),
            ReadingMean = unit.Readings.Count == 0 ? null : unit.Readings.Mean,
            Late = unit.Late,
            Voids = unit.Voids,
            OwnCount = unit.OwnCount,
        };

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
