using KeepTally.Core.Formats;
using KeepTally.Core.Sheets;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>A practice as it stands on record: each run with its sheets, and every event acknowledged so far.</summary>
public sealed class LiveRecord(TallyDb db)
{
    /// <summary>The runs of a practice, in the order of its blocks.</summary>
    public async Task<IReadOnlyList<RecordedRun>> OfAsync(int practiceId, CancellationToken stop = default) =>
        await OfRunsAsync(
            await db
                .Runs.Where(run => run.Block!.PracticeId == practiceId)
                .OrderBy(run => run.Block!.Order)
                .Select(run => run.Id)
                .ToListAsync(stop),
            stop
        );

    /// <summary>Runs in the order asked for.</summary>
    public async Task<IReadOnlyList<RecordedRun>> OfRunsAsync(IReadOnlyList<int> ids, CancellationToken stop = default)
    {
        var found = await db
            .Runs.AsNoTracking()
            .Include(run => run.Sheets.OrderBy(sheet => sheet.Order))
            .Where(run => ids.Contains(run.Id))
            .ToDictionaryAsync(run => run.Id, stop);
        var runs = ids.Select(id => found[id]).ToArray();
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
                [.. run.Sheets.Select(sheet => new RecordedSheet(sheet, [.. bySheet[sheet.Id]]))]
            )),
        ];
    }
}

public sealed record RecordedRun(Run Run, IReadOnlyList<RecordedSheet> Sheets)
{
    /// <summary>Every sheet folded from its events, to be shown or gone on with.</summary>
    public IReadOnlyList<RunSheet> Fold() =>
        [.. Sheets.Select(sheet => new RunSheet(sheet.Row.Id, sheet.Row.Name, sheet.Fold(Run.CardJson), sheet.Row.Stop))];
}

public sealed record RecordedSheet(SheetRow Row, IReadOnlyList<EventRow> Events)
{
    /// <summary>The sheet folded from its events by the rules of its own card, else of its run's.</summary>
    public LiveSheet Fold(string runCardJson)
    {
        var cardJson = Row.CardJson ?? runCardJson;
        var head = HeadReader.Read(Row.HeadJson).Sure();
        var live = LiveSheet.Open(CardReader.Read(cardJson, head.Options).Sure(), head).Sure();
        live.AddAll([.. Events.Select(said => EventReader.Read(said.Line)).Where(said => said.IsRead).Select(said => said.Sure())]);
        return live;
    }
}
