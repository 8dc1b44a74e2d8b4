using KeepTally.Core.Formats;
using KeepTally.Core.Sheets;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace KeepTally.Store.Events;

/// <summary>
/// The append-only journal of all sheets. A batch is one transaction, on the disk before it is acknowledged; an event
/// whose device and number are there already is not written again.
/// </summary>
public sealed class EventJournal(TallyDb db)
{
    /// <summary>Appends a batch of events that were checked against the sheet.</summary>
    public async Task<Appended> AppendAsync(string sheetId, IReadOnlyList<RunEvent> events, CancellationToken stop = default)
    {
        var (fresh, theirs) = (new List<EventRow>(), new List<EventRow>());
        await using var transaction = await db.Database.BeginTransactionAsync(stop);
        using var insert = new EventInsert(db.Database.GetDbConnection(), transaction.GetDbTransaction());
        foreach (var said in events)
        {
            var row = EventRow.Of(sheetId, said);
            if (await insert.TryAsync(row, stop) is { } sequence)
            {
                fresh.Add(row.InSequence(sequence));
            }
            else if (await StandingAsync(row, stop) is { } stands && stands.Line != row.Line)
            {
                theirs.Add(stands);
            }
        }

        await transaction.CommitAsync(stop);
        return new Appended(fresh, theirs);
    }

    private Task<EventRow> StandingAsync(EventRow row, CancellationToken stop) =>
        db
            .Events.AsNoTracking()
            .SingleAsync(each => each.SheetId == row.SheetId && each.Device == row.Device && each.N == row.N, stop);

    /// <summary>The events of a practice that arrived after a sequence number, in order of arrival.</summary>
    public async Task<IReadOnlyList<EventRow>> SinceAsync(int practiceId, long sequence, CancellationToken stop = default) =>
        await db
            .Events.AsNoTracking()
            .Where(said =>
                said.Sequence > sequence
                && db.Sheets.Any(sheet => sheet.Id == said.SheetId && sheet.Run!.Block!.PracticeId == practiceId)
            )
            .OrderBy(said => said.Sequence)
            .ToListAsync(stop);

    /// <summary>What a sheet is kept by, and the practice it belongs to; null where there is no such sheet.</summary>
    public async Task<SheetOnRecord?> SheetAsync(string sheetId, CancellationToken stop = default)
    {
        var row = await db
            .Sheets.AsNoTracking()
            .Where(sheet => sheet.Id == sheetId)
            .Select(sheet => new
            {
                sheet.HeadJson,
                CardJson = sheet.CardJson ?? sheet.Run!.CardJson,
                sheet.Run!.Block!.PracticeId,
            })
            .SingleOrDefaultAsync(stop);
        if (row is null)
        {
            return null;
        }

        var head = HeadReader.Read(row.HeadJson).Sure();
        return new SheetOnRecord(row.PracticeId, Sheet.Open(CardReader.Read(row.CardJson, head.Options).Sure(), head).Sure());
    }
}

/// <param name="Fresh">What was written now.</param>
/// <param name="Theirs">What stood there already under the same device and number, and says something else.</param>
public sealed record Appended(IReadOnlyList<EventRow> Fresh, IReadOnlyList<EventRow> Theirs);

/// <summary>An empty sheet of the right rules, to hold events against, and the practice it is of.</summary>
public sealed record SheetOnRecord(int PracticeId, Sheet Rules);
