namespace KeepTally.Store.Squads;

/// <summary>When a player was last erased: whoever has kept pages or entries from before forgets them.</summary>
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
