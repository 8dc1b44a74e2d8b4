namespace KeepTally.Core.Rules.Measures;

/// <summary>What ranks the units.</summary>
public sealed record Measure(MeasureBy By, Better Better);

public enum Better
{
    High,
    Low,
}

public enum MeasureBy
{
    Points,
    Successes,
    Attempts,
    Accuracy,
    BestStreak,
    Cleared,
    Seconds,
    Outs,
    Place,
    ReadingBest,
    ReadingMean,
    Late,
    Voids,
}
