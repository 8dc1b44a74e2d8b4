using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Sheets;
using KeepTally.Store.Book;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>A practice as it stands on record: each run with its sheets, and every event acknowledged so far.</summary>
public sealed class LiveRecord(TallyDb db, TextShelf texts)
{
    /// <summary>The runs of a practice, in the order of its blocks.</summary>
    public async Task<IReadOnlyList<RecordedRun>> OfAsync(int practiceId, CancellationToken stop = default) =>
        await OfAsync(await RunRows.OfPracticeAsync(db, practiceId, stop), stop);

    /// <summary>Runs in the order asked for.</summary>
    public async Task<IReadOnlyList<RecordedRun>> OfRunsAsync(IReadOnlyList<int> ids, CancellationToken stop = default) =>
        await OfAsync(await RunRows.OfAsync(db, ids, stop), stop);

    private async Task<IReadOnlyList<RecordedRun>> OfAsync(List<Run> runs, CancellationToken stop)
    {
        // By the sheets' own ids, so that the index leads there however long the journal has grown.
        var sheets = runs.SelectMany(run => run.Sheets).Select(sheet => sheet.Id).ToArray();
        var events = await db
            .Events.AsNoTracking()
            .Where(said => sheets.Contains(said.SheetId))
            .OrderBy(said => said.Sequence)
            .ToListAsync(stop);
        var bySheet = events.ToLookup(said => said.SheetId);
        return
        [
            .. runs.Select(run => new RecordedRun(
                run,
                [.. run.Sheets.Select(sheet => Recorded(run, sheet, [.. bySheet[sheet.Id]]))]
            )),
        ];
    }

    private RecordedSheet Recorded(Run run, SheetRow row, IReadOnlyList<EventRow> events)
    {
        var head = texts.Head(row.HeadJson);
        return new RecordedSheet(row, events, texts.Card(row.CardJson ?? run.CardJson, head.Options), head);
    }
}

public sealed record RecordedRun(Run Run, IReadOnlyList<RecordedSheet> Sheets)
{
    /// <summary>Every sheet folded from its events, to be shown or gone on with.</summary>
    public IReadOnlyList<RunSheet> Fold() =>
        [.. Sheets.Select(sheet => new RunSheet(sheet.Row.Id, sheet.Row.Name, sheet.Fold(), sheet.Row.Stop))];
}

/// <param name="Card">The card it is kept by: its own, else its run's.</param>
public sealed record RecordedSheet(SheetRow Row, IReadOnlyList<EventRow> Events, DrillCard Card, LogHead Head)
{
    /// <summary>The sheet folded from its events.</summary>
    public LiveSheet Fold()
    {
        var live = LiveSheet.Open(Card, Head).Sure();
        live.AddAll([.. Events.Select(said => EventReader.Read(said.Line)).Where(said => said.IsRead).Select(said => said.Sure())]);
        return live;
    }
}
