using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Removes a practice that was only a try, begun or past, with its sheets and every tap: statistics are as if it had never been.</summary>
public sealed class PracticeRemoval(TallyDb db)
{
    /// <summary>Returns how many taps and other events stand on the sheets of a practice.</summary>
    public Task<int> EventsAsync(int practiceId, CancellationToken cancellationToken = default) =>
        EventsOf(practiceId).CountAsync(cancellationToken);

    /// <summary>Removes a practice; false where there is none.</summary>
    public async Task<bool> RemoveAsync(int practiceId, CancellationToken cancellationToken = default)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        await EventsOf(practiceId).ExecuteDeleteAsync(cancellationToken);
        var removed = await db.Practices.Where(practice => practice.Id == practiceId).ExecuteDeleteAsync(cancellationToken) > 0;
        await transaction.CommitAsync(cancellationToken);
        return removed;
    }

    private IQueryable<Tables.EventRow> EventsOf(int practiceId) =>
        db.Events.Where(row => db.Sheets.Any(sheet => sheet.Id == row.SheetId && sheet.Run!.Block!.PracticeId == practiceId));
}
