namespace KeepTally.Core.Cards;

/// <summary>Zones asked for in a fixed order, the whole list <paramref name="Rounds"/> times over.</summary>
public sealed record Targets(IReadOnlyList<string> Zones, int Rounds, double Points)
{
    /// <summary>Where a ball went that hit no zone.</summary>
    public const string None = "none";

    public int Asked => Zones.Count * Rounds;

    /// <summary>Each zone once, in the order first asked.</summary>
    public IReadOnlyList<string> Names { get; } = [.. Zones.Distinct()];

    /// <summary>For each entry of the asked list, its index among <see cref="Names"/>.</summary>
    public IReadOnlyList<int> Order { get; } = [.. Zones.Select(zone => Zones.Distinct().ToList().IndexOf(zone))];
}

/// <summary>Something a tap may say besides its outcome, such as the finish: the values by id, each with its words.</summary>
public sealed record TagKind(string Id, string Label, IReadOnlyList<KeyValuePair<string, string>> Values);

/// <summary>A tag value may not stand again within a unit's last <paramref name="Within"/> counted taps that carry the tag.</summary>
public sealed record Limit(string Tag, int Within, Breach Breach);

public enum Breach
{
    /// <summary>The tap counts for nothing, but is kept.</summary>
    Void,

    /// <summary>The tap is a failure without points or effects.</summary>
    Failure,
}

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
