using KeepTally.Store.Events;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Web.Api;

/// <summary>The rules of sheets that were asked for lately. A sheet's rules never change, so they are read once.</summary>
public sealed class SheetRules(IMemoryCache cache)
{
    private static readonly TimeSpan Kept = TimeSpan.FromHours(3);

    /// <summary>What events of a sheet are held against; null where there is no such sheet.</summary>
    public async Task<SheetOnRecord?> FindAsync(EventJournal journal, string sheet, CancellationToken stop)
    {
        var key = (nameof(SheetRules), sheet);
        if (cache.TryGetValue(key, out SheetOnRecord? known))
        {
            return known;
        }

        if (await journal.SheetAsync(sheet, stop) is not { } found)
        {
            return null;
        }

        return cache.Set(key, found, new MemoryCacheEntryOptions { SlidingExpiration = Kept, Size = 1 });
    }
}
