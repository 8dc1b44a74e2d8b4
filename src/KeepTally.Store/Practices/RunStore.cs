using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>A practice as it stands on record: each run with its sheets, and every event acknowledged so far.</summary>
public sealed class RunStore(TallyDb db, TextCache texts)
{
    /// <summary>The runs of a practice, in the order of its blocks.</summary>
    public async Task<IReadOnlyList<StoredRun>> OfAsync(int practiceId, CancellationToken cancellationToken = default) =>
        await OfAsync(await RunRows.OfPracticeAsync(db, practiceId, cancellationToken), cancellationToken);

    /// <summary>Runs in the order asked for.</summary>
    public async Task<IReadOnlyList<StoredRun>> OfRunsAsync(
        IReadOnlyList<int> ids,
        CancellationToken cancellationToken = default
    ) => await OfAsync(await RunRows.OfAsync(db, ids, cancellationToken), cancellationToken);

    private async Task<IReadOnlyList<StoredRun>> OfAsync(List<Run> runs, CancellationToken cancellationToken)
    {
        // By the sheets' own ids, so that the index leads there however long the journal has grown.
        var sheets = runs.SelectMany(run => run.Sheets).Select(sheet => sheet.Id).ToArray();
        var events = await db
            .Events.AsNoTracking()
            .Where(row => sheets.Contains(row.SheetId))
            .OrderBy(row => row.Sequence)
            .ToListAsync(cancellationToken);
        var bySheet = events.ToLookup(row => row.SheetId);
        return
        [
            .. runs.Select(run =>
                RunCards.FaultOf(run, texts) is { } fault
                    ? new StoredRun(run, [], fault)
                    : new StoredRun(run, [.. run.Sheets.Select(sheet => Recorded(run, sheet, [.. bySheet[sheet.Id]]))])
            ),
        ];
    }

    private StoredSheet Recorded(Run run, SheetRow row, IReadOnlyList<EventRow> events)
    {
        var head = texts.Head(row.HeadJson);
        return new StoredSheet(row, events, texts.Card(row.CardJson ?? run.CardJson, head.Options), head);
    }
}

/// <summary>A run as it stands on record.</summary>
/// <param name="Run">The run as it is stored.</param>
/// <param name="Sheets">The sheets, in order.</param>
/// <param name="Fault">Why it cannot be shown or gone on with: its card no longer reads. Null where it can.</param>
public sealed record StoredRun(Run Run, IReadOnlyList<StoredSheet> Sheets, Fault? Fault = null)
{
    /// <summary>Every sheet folded from its events, to be shown or gone on with.</summary>
    public IReadOnlyList<RunSheet> Fold() =>
        [.. Sheets.Select(sheet => new RunSheet(new SheetId(sheet.Row.Id), sheet.Row.Name, sheet.Fold(), sheet.Row.Stop))];
}

/// <param name="Row">The sheet as it is stored.</param>
/// <param name="Events">The events as they are stored, in order.</param>
/// <param name="Card">The card it is kept by: its own, else its run's.</param>
/// <param name="Head">The head of the log: drill, stage, rules and units.</param>
public sealed record StoredSheet(SheetRow Row, IReadOnlyList<EventRow> Events, DrillCard Card, LogHead Head)
{
    /// <summary>The sheet folded from its events.</summary>
    public Sheet Fold()
    {
        var live = Sheet.Open(Card, Head).Require();
        live.AddAll([.. Events.Select(row => EventReader.Read(row.Line)).Where(read => read.IsOk).Select(read => read.Require())]);
        return live;
    }
}
