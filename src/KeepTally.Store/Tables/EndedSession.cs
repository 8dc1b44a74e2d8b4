namespace KeepTally.Store.Tables;

/// <summary>A session that was ended by signing out: its ticket lets nobody in any more, wherever a copy of it is.</summary>
public sealed class EndedSession
{
    /// <summary>The id of the session, as its ticket carries it.</summary>
    public required string Id { get; init; }

    /// <summary>The moment after which the ticket is void by itself: milliseconds since 1970 in UTC.</summary>
    public long Until { get; init; }
}
