namespace KeepTally.Core.Tallies;

/// <summary>What a unit can be ranked by, as plain figures.</summary>
/// <param name="Running">Milliseconds of the unit's own running time.</param>
public readonly record struct Figures(
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
    public double? Accuracy => Attempts == 0 ? null : (double)Successes / Attempts;
}
