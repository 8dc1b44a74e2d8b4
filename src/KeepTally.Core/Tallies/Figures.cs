using KeepTally.Core.Rules.Measures;

namespace KeepTally.Core.Tallies;

/// <summary>What a unit can be ranked by, as plain figures.</summary>
/// <param name="Running">Milliseconds of the unit's own running time.</param>
internal readonly record struct Figures(
    double Points,
    int Attempts,
    int Successes,
    int BestStreak,
    int Cleared,
    long Running,
    int Outs,
    int? Place,
    double? ReadingBest,
    double? ReadingMean,
    int Late,
    int Voids
)
{
    /// <summary>Successes of attempts; null with no attempts.</summary>
    internal double? Accuracy => Attempts == 0 ? null : (double)Successes / Attempts;

    /// <summary>The value that ranks the unit, or null where it has none.</summary>
    internal double? Value(MeasureBy by) =>
        by switch
        {
            MeasureBy.Points => Points,
            MeasureBy.Successes => Successes,
            MeasureBy.Attempts => Attempts,
            MeasureBy.Accuracy => Accuracy,
            MeasureBy.BestStreak => BestStreak,
            MeasureBy.Cleared => Cleared,
            MeasureBy.Seconds => Running / 1000.0,
            MeasureBy.Outs => Outs,
            MeasureBy.Place => Place,
            MeasureBy.ReadingBest => ReadingBest,
            MeasureBy.ReadingMean => ReadingMean,
            MeasureBy.Late => Late,
            MeasureBy.Voids => Voids,
        };
}
