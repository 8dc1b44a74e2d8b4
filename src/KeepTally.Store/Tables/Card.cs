namespace KeepTally.Store.Tables;

/// <summary>A card of the drill book, over all its versions.</summary>
public sealed class Card
{
    /// <summary>The id the card carries in its own text.</summary>
    public required string Id { get; init; }

    /// <summary>Archived: kept with its results, but not offered.</summary>
    public bool Archived { get; set; }

    /// <summary>Counts every save, so that two people who edit at once do not overwrite each other unseen.</summary>
    public int Revision { get; set; } = 1;

    public List<CardVersion> Versions { get; init; } = [];

    public List<CardChange> Changes { get; init; } = [];
}

/// <summary>One version of a drill card, as the text of its format. A change in scoring makes a new one.</summary>
public sealed class CardVersion
{
    public int Id { get; init; }

    /// <summary>The card's own id, the same in all its versions.</summary>
    public required string CardId { get; init; }

    public int Version { get; init; } = 1;

    public required string Name { get; set; }

    public required string Json { get; set; }
}

/// <summary>A save of a card: when, into which version, what it changed, and why in the coach's words.</summary>
public sealed class CardChange
{
    public int Id { get; init; }

    public required string CardId { get; init; }

    public int Version { get; init; }

    /// <summary>Milliseconds since 1970 in UTC.</summary>
    public long At { get; init; }

    /// <summary>The changes, one a line.</summary>
    public required string What { get; init; }

    public string Why { get; init; } = "";
}
