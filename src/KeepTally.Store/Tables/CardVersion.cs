namespace KeepTally.Store.Tables;

/// <summary>One version of a drill card, as the text of its format.</summary>
public sealed class CardVersion
{
    public int Id { get; init; }

    /// <summary>The card's own id, the same in all its versions.</summary>
    public required string CardId { get; init; }

    public int Version { get; init; } = 1;

    public required string Name { get; init; }

    public required string Json { get; init; }
}
