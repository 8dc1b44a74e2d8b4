using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Scoring;

/// <summary>How a sheet stands at one moment. Source: docs/formats.md, section 2. All spans are milliseconds.</summary>
public sealed record ScoreReport(
    int Stage,
    bool Started,
    bool Done,
    string? Winner,
    string? Turn,
    string? Ball,
    long Running,
    int Late,
    IReadOnlyList<UnitReport> Units,
    IReadOnlyList<RankedUnit> Ranking,
    IReadOnlyList<FreezeReport> Freezes
);

/// <param name="Reach">The distance of the furthest rung cleared, or null.</param>
/// <param name="Place">The place taken by leaving, or null.</param>
/// <param name="Asked">The zone asked next, or null.</param>
/// <param name="Zones">Asked zone, where it went, how many.</param>
/// <param name="Off">The unit has gone off the sheet; what it scored stands.</param>
/// <param name="Window">The open window of a ladder, attempt by attempt; empty without one.</param>
public sealed record UnitReport(
    string Id,
    double Points,
    int Attempts,
    int Successes,
    int Streak,
    int BestStreak,
    int Outs,
    int Voids,
    int Late,
    int Rung,
    int Lap,
    int Cleared,
    double? Reach,
    int? Place,
    string? Asked,
    bool Done,
    long Running,
    IReadOnlyList<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> Zones,
    IReadOnlyList<KeyValuePair<string, int>> Counts,
    IReadOnlyList<TagReport> Tags,
    ReadingsReport Readings,
    WindowReport Window,
    bool Off
)
{
    /// <summary>Successes of attempts; null with no attempts.</summary>
    public double? Accuracy => Figures.Accuracy;

    /// <summary>The value that ranks the unit, or null where it has none.</summary>
    public double? Value(MeasureKind by) => by.Value(Figures);

    internal Figures Figures =>
        new(Points, Attempts, Successes, BestStreak, Cleared, Running, Outs, Place, Readings.Best, Readings.Mean, Late, Voids);
}

/// <summary>A kind of tag: for each value that was said, how many counted taps of each outcome carried it.</summary>
public sealed record TagReport(string Tag, IReadOnlyList<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> Values);

public sealed record ReadingsReport(int Count, double? Best, double? Mean, double? Last);

/// <param name="Made">Successes in the window, or in a row.</param>
/// <param name="Taken">Attempts in the window.</param>
/// <param name="Hits">The first attempts of the window, at most sixty-four.</param>
public sealed record WindowReport(int Made, int Taken, IReadOnlyList<bool> Hits);

/// <param name="Stood">Milliseconds by the wall clock.</param>
public sealed record FreezeReport(string Reason, int Count, long Stood);
