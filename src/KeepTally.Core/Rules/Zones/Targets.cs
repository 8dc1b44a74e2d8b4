namespace KeepTally.Core.Rules.Zones;

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
