using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Squads;

/// <summary>What a squad was before a list was taken.</summary>
/// <param name="Team">The team.</param>
/// <param name="Added">The ids of those who were new.</param>
/// <param name="Changed">Everyone who was changed: their id, their details before and after, and whether they had left the squad.</param>
public sealed record ImportedSquad(
    int Team,
    IReadOnlyList<int> Added,
    IReadOnlyList<(int Id, PlayerDetails Before, PlayerDetails After, bool Archived)> Changed
);

/// <summary>Holds the last import of each team for a while, so that it can be undone; a restart of the server forgets it.</summary>
public sealed class LastImport(IMemoryCache cache)
{
    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);

    /// <summary>An import was made.</summary>
    public void Put(ImportedSquad imported) =>
        cache.Set(KeyOf(imported.Team), imported, new MemoryCacheEntryOptions { AbsoluteExpirationRelativeToNow = Kept, Size = 1 });

    /// <summary>The last import of a team; null where there was none lately.</summary>
    public ImportedSquad? Of(int team) => cache.Get<ImportedSquad>(KeyOf(team));

    /// <summary>It is undone, or no longer to be.</summary>
    public void Forget(int team) => cache.Remove(KeyOf(team));

    private static string KeyOf(int team) => $"last-import-{team}";
}
