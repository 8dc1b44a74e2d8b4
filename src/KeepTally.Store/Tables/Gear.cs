namespace KeepTally.Store.Tables;

/// <summary>Something the club has to practise with, and how many of it.</summary>
public sealed class Gear
{
    /// <summary>What it is, as cards call it.</summary>
    public required string Item { get; init; }

    public int Count { get; set; }
}
