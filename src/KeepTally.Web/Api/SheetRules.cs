using System.Collections.Concurrent;
using KeepTally.Store.Events;

namespace KeepTally.Web.Api;

/// <summary>The rules of sheets that were asked for lately. A sheet's rules never change, so they are read once.</summary>
public sealed class SheetRules
{
    private const int Kept = 1000;
    private readonly ConcurrentDictionary<string, SheetOnRecord> _known = new(StringComparer.Ordinal);

    public async Task<SheetOnRecord?> FindAsync(EventJournal journal, string sheet, CancellationToken stop)
    {
        if (_known.TryGetValue(sheet, out var known))
        {
            return known;
        }

        if (await journal.SheetAsync(sheet, stop) is not { } found)
        {
            return null;
        }

        if (_known.Count >= Kept)
        {
            _known.Clear();
        }

        _known[sheet] = found;
        return found;
    }
}
