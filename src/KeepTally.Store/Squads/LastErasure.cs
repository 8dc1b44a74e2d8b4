namespace KeepTally.Store.Squads;

/// <summary>When a player was last erased: a device that has kept pages or entries from before deletes them.</summary>
public sealed class LastErasure
{
    private long _at;

    /// <summary>Milliseconds since 1970 in UTC; 0 where nobody was.</summary>
    public long At
    {
        get => Interlocked.Read(ref _at);
        set => Interlocked.Exchange(ref _at, Math.Max(At, value));
    }
}
