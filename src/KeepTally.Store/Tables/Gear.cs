namespace KeepTally.Store.Tables;

/// <summary>Something the club has to practise with, and how many of it.</summary>
public sealed class Gear
{
    /// <summary>The name of the item, as cards have it.</summary>
    public required string Item { get; init; }

    public int Count { get; set; }
}
