using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Store.Events;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Web.Api;

/// <summary>The rules of sheets that were asked for lately. A sheet's rules never change, so they are read once; only a guest makes its bench longer.</summary>
public sealed class AppendGuards(IMemoryCache cache)
{
    private static readonly TimeSpan Kept = TimeSpan.FromHours(3);

    /// <summary>The bench of a sheet has changed: its rules are read again.</summary>
    public void Forget(SheetId sheet) => cache.Remove((nameof(AppendGuards), sheet));

    /// <summary>The gate for events of a sheet, or why its card no longer reads; null where there is no such sheet.</summary>
    public async Task<Result<AppendGuard>?> FindAsync(EventJournal journal, SheetId sheet, CancellationToken cancellationToken)
    {
        var key = (nameof(AppendGuards), sheet);
        if (cache.TryGetValue(key, out AppendGuard? known))
        {
            return Result.Ok(known!);
        }

        var found = await journal.SheetAsync(sheet, cancellationToken);
        if (found is { IsOk: true })
        {
            cache.Set(key, found.Value, new MemoryCacheEntryOptions { SlidingExpiration = Kept, Size = 1 });
        }

        return found;
    }
}
