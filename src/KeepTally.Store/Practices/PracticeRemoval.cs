using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Removes a practice that was only a try, begun or past, with its sheets and every tap: statistics are as if it had never been.</summary>
public sealed class PracticeRemoval(TallyDb db)
{
    /// <summary>Returns how many taps and other events stand on the sheets of a practice.</summary>
    public Task<int> EventsAsync(int practiceId, CancellationToken cancellationToken = default) =>
        db
            .Events.Where(row => db.Sheets.Any(sheet => sheet.Id == row.SheetId && sheet.Run!.Block!.PracticeId == practiceId))
            .CountAsync(cancellationToken);

    /// <summary>Removes a practice; returns the ids of its sheets, which are gone with it.</summary>
    public async Task<IReadOnlyList<string>> RemoveAsync(int practiceId, CancellationToken cancellationToken = default)
    {
        var sheets = await db
            .Sheets.Where(sheet => sheet.Run!.Block!.PracticeId == practiceId)
            .Select(sheet => sheet.Id)
            .ToListAsync(cancellationToken);
        await db.Practices.Where(practice => practice.Id == practiceId).ExecuteDeleteAsync(cancellationToken);
        return sheets;
    }
}
