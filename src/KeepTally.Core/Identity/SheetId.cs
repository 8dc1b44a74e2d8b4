namespace KeepTally.Core.Identity;

/// <summary>Which tally sheet, over all practices of an installation. Source: docs/formats.md, section 2.</summary>
/// <param name="Value">The id as it is written; never empty.</param>
public readonly record struct SheetId(string Value)
{
    /// <summary>The id as it is written.</summary>
    public override string ToString() => Value ?? "";
}
