using KeepTally.Store.Events;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Web.Api;

/// <summary>The rules of sheets that were asked for lately. A sheet's rules never change, so they are read once.</summary>
public sealed class AppendGuards(IMemoryCache cache)
{
    private static readonly TimeSpan Kept = TimeSpan.FromHours(3);

    /// <summary>What events of a sheet are held against; null where there is no such sheet.</summary>
    public async Task<AppendGuard?> FindAsync(EventJournal journal, string sheet, CancellationToken cancellationToken)
    {
        var key = (nameof(AppendGuards), sheet);
        if (cache.TryGetValue(key, out AppendGuard? known))
        {
            return known;
        }

        if (await journal.SheetAsync(sheet, cancellationToken) is not { } found)
        {
            return null;
        }

        return cache.Set(key, found, new MemoryCacheEntryOptions { SlidingExpiration = Kept, Size = 1 });
    }
}
