namespace KeepTally.Core.Rules.Limits;

/// <summary>A tag value may not stand again within a unit's last <paramref name="Within"/> counted taps that carry the tag.</summary>
public sealed record Limit(string Tag, int Within, Breach Breach);

public enum Breach
{
    /// <summary>The tap counts for nothing, but is kept.</summary>
    Void,

    /// <summary>The tap is a failure without points or effects.</summary>
    Failure,
}
