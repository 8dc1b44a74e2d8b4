using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Events;

/// <summary>
/// The append-only journal of all sheets. A batch is on the disk before it is acknowledged; an event whose device and number
/// are there already is not written again.
/// </summary>
public sealed class EventJournal(TallyDb db, JournalWriter writer, TextCache texts)
{
    /// <inheritdoc cref="JournalWriter.AppendAsync"/>
    public Task<Appended> AppendAsync(SheetId sheet, IReadOnlyList<RunEvent> events) => writer.AppendAsync(sheet, events);

    /// <summary>The events of a practice that arrived after a sequence number, in order of arrival.</summary>
    public async Task<IReadOnlyList<EventRow>> SinceAsync(
        int practiceId,
        long sequence,
        CancellationToken cancellationToken = default
    )
    {
        // From the start by the practice's own sheets; from later on by the order of arrival (the plus keeps SQLite from the
        // index of sheets), so that little is read however long the journal has grown.
        var rows =
            sequence == 0
                ? db.Events.Where(row =>
                    db.Sheets.Where(sheet => sheet.Run!.Block!.PracticeId == practiceId)
                        .Select(sheet => sheet.Id)
                        .Contains(row.SheetId)
                )
                : db.Events.FromSql(
                    $"""
                    SELECT * FROM Events WHERE Sequence > {sequence} AND +SheetId IN (
                        SELECT Sheets.Id FROM Sheets JOIN Runs ON Runs.Id = Sheets.RunId JOIN Blocks ON Blocks.Id = Runs.BlockId
                        WHERE Blocks.PracticeId = {practiceId})
                    """
                );
        return await rows.AsNoTracking().OrderBy(row => row.Sequence).ToListAsync(cancellationToken);
    }

    /// <summary>
    /// What a sheet is kept by, and the practice it belongs to, or why its card no longer reads; null where there is no such
    /// sheet.
    /// </summary>
    public async Task<Result<AppendGuard>?> SheetAsync(SheetId sheetId, CancellationToken cancellationToken = default)
    {
        var row = await db
            .Sheets.AsNoTracking()
            .Where(sheet => sheet.Id == sheetId.Value)
            .Select(sheet => new
            {
                sheet.HeadJson,
                CardJson = sheet.CardJson ?? sheet.Run!.CardJson,
                sheet.Run!.Block!.PracticeId,
                TeamId = db
                    .Practices.Where(practice => practice.Id == sheet.Run.Block.PracticeId)
                    .Select(practice => practice.TeamId)
                    .First(),
                sheet.Run.Origin,
            })
            .SingleOrDefaultAsync(cancellationToken);
        if (row is null)
        {
            return null;
        }

        var head = texts.Head(row.HeadJson);
        var card = texts.Read(row.CardJson, head.Options);
        if (!card.IsOk)
        {
            return Result.Fail<AppendGuard>(card.Faults);
        }

        var score = Score.Open(card.Value, head).Require();
        return Result.Ok(
            new AppendGuard(
                row.TeamId,
                row.PracticeId,
                card.Value.Name,
                row.Origin,
                score,
                new EventGate(head, KnownTags.Of(score.Stage))
            )
        );
    }
}

/// <summary>The gate for events of a sheet, and its practice.</summary>
/// <param name="TeamId">The id of the team.</param>
/// <param name="PracticeId">The id of the practice.</param>
/// <param name="Drill">What the drill is called.</param>
/// <param name="Origin">The origin of its times.</param>
/// <param name="Rules">An empty sheet of the right rules.</param>
/// <param name="Gate">The gate the events must pass.</param>
public sealed record AppendGuard(int TeamId, int PracticeId, string Drill, RunOrigin Origin, Score Rules, EventGate Gate)
{
    /// <summary>Why an event cannot be taken, or null where it can.</summary>
    public Fault? Check(RunEvent runEvent, DateTimeOffset now) =>
        Gate.Check(runEvent, Origin.InstantAt(now)) ?? Rules.Check(runEvent);
}
