using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Files;

/// <summary>Holds the last import of each kind and team for a while, so that it can be undone; a restart of the server forgets it.</summary>
public sealed class LastImport(IMemoryCache cache)
{
    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);

    /// <summary>An import was made.</summary>
    /// <param name="team">The id of the team.</param>
    /// <param name="imported">What it did.</param>
    public void Put<T>(int team, T imported)
        where T : class =>
        cache.Set(KeyOf<T>(team), imported, new MemoryCacheEntryOptions { AbsoluteExpirationRelativeToNow = Kept, Size = 1 });

    /// <summary>The last import of a kind of a team; null where there was none lately.</summary>
    public T? Of<T>(int team)
        where T : class => cache.Get<T>(KeyOf<T>(team));

    /// <summary>It is undone, or no longer to be.</summary>
    public void Forget<T>(int team)
        where T : class => cache.Remove(KeyOf<T>(team));

    private static string KeyOf<T>(int team) => $"last-import-{typeof(T).Name}-{team}";
}
