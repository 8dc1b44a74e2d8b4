namespace KeepTally.Core.Identity;

/// <summary>The id of a unit on a sheet: a player, or a group or side that scores as one; a log names both alike. Source: docs/formats.md, section 2.</summary>
/// <param name="Value">The id as it is written; never empty.</param>
public readonly record struct PlayerId(string Value)
{
    /// <summary>The id as it is written.</summary>
    public override string ToString() => Value ?? "";
}
