using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Events;

/// <summary>
/// Writes the events of a practice that is being imported before its sheets, a few at a time and in turn with the taps of practices
/// under way. Nobody sees events without a sheet; when all of them are there, the sheets make them visible at once.
/// </summary>
public sealed class EventStaging(TallyDb db, JournalWriter writer)
{
    /// <summary>What the disk takes in a moment that no thumb feels.</summary>
    private const int Together = 100;

    /// <summary>Writes events of sheets that are not on record yet.</summary>
    /// <param name="rows">The events, in the order in which they are to stand.</param>
    /// <param name="cancellationToken">Cancels the operation; what was written then is removed by <see cref="RemoveAsync"/>.</param>
    public async Task WriteAsync(IEnumerable<EventRow> rows, CancellationToken cancellationToken = default)
    {
        foreach (var some in rows.Chunk(Together))
        {
            cancellationToken.ThrowIfCancellationRequested();
            await writer.StageAsync(some);
        }
    }

    /// <summary>Removes events that were written for sheets that will not come.</summary>
    /// <param name="sheets">The ids of the sheets.</param>
    public async Task RemoveAsync(IReadOnlyCollection<string> sheets)
    {
        db.ChangeTracker.Clear();
        await db.Events.IgnoreQueryFilters().Where(row => sheets.Contains(row.SheetId)).ExecuteDeleteAsync();
    }

    /// <summary>Removes events that were left without a sheet when the process ended in the middle of an import. At the start only.</summary>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public Task<int> TidyAsync(CancellationToken cancellationToken = default) =>
        db.Database.ExecuteSqlAsync($"DELETE FROM Events WHERE SheetId NOT IN (SELECT Id FROM Sheets)", cancellationToken);
}
