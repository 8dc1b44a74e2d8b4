using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Practices;

/// <summary>
/// How sheets ended, or stand so far. A sheet that was folded lately is folded again only when events have come to it or its
/// head has changed, as when a player is erased; till then its events are not even read.
/// </summary>
public sealed class ScoredRuns(TallyDb db, TextCache texts, IMemoryCache cache)
{
    private static readonly MemoryCacheEntryOptions Lately = new() { SlidingExpiration = TimeSpan.FromHours(1), Size = 1 };

    /// <summary>The cache key of a scored sheet: its id, its head and its last event.</summary>
    private readonly record struct Key(string Sheet, string Head, long Last);

    /// <summary>The runs of a practice, in the order of its blocks.</summary>
    public async Task<IReadOnlyList<ScoredRun>> OfPracticeAsync(int practice, CancellationToken cancellationToken = default) =>
        await OfAsync(await RunRows.OfPracticeAsync(db, practice, cancellationToken), cancellationToken);

    /// <summary>Runs in the order asked for.</summary>
    public async Task<IReadOnlyList<ScoredRun>> OfRunsAsync(
        IReadOnlyList<int> ids,
        CancellationToken cancellationToken = default
    ) => await OfAsync(await RunRows.OfAsync(db, ids, cancellationToken), cancellationToken);

    private async Task<IReadOnlyList<ScoredRun>> OfAsync(List<Run> runs, CancellationToken cancellationToken)
    {
        var sheets = runs.SelectMany(run => run.Sheets).Select(sheet => sheet.Id).ToArray();
        var last = await db
            .Events.Where(row => sheets.Contains(row.SheetId))
            .GroupBy(row => row.SheetId)
            .Select(each => new { each.Key, Last = each.Max(row => row.Sequence) })
            .ToDictionaryAsync(each => each.Key, each => each.Last, cancellationToken);
        Key KeyOf(SheetRow sheet) => new(sheet.Id, sheet.HeadJson, last.GetValueOrDefault(sheet.Id));

        var known = new Dictionary<string, ScoredSheet>(StringComparer.Ordinal);
        foreach (var sheet in runs.SelectMany(run => run.Sheets))
        {
            if (cache.TryGetValue(KeyOf(sheet), out ScoredSheet? outcome))
            {
                known[sheet.Id] = outcome!;
            }
        }

        var unknown = sheets.Where(id => !known.ContainsKey(id)).ToArray();
        var rows =
            unknown.Length == 0
                ? []
                : await db.Events.AsNoTracking().Where(row => unknown.Contains(row.SheetId)).ToListAsync(cancellationToken);
        var events = rows.ToLookup(row => row.SheetId);
        var faults = new Dictionary<int, Fault>();
        foreach (var run in runs)
        {
            if (RunCards.FaultOf(run, texts) is { } fault)
            {
                faults[run.Id] = fault;
                continue;
            }

            foreach (var sheet in run.Sheets.Where(sheet => !known.ContainsKey(sheet.Id)))
            {
                // Events that came since the last were asked for are folded with the rest; the next look finds a newer last.
                known[sheet.Id] = cache.Set(KeyOf(sheet), Fold(sheet, run, [.. events[sheet.Id]]), Lately);
            }
        }

        return
        [
            .. runs.Select(run =>
                faults.TryGetValue(run.Id, out var fault)
                    ? new ScoredRun(run, [], fault)
                    : new ScoredRun(run, [.. run.Sheets.Select(sheet => (sheet, known[sheet.Id]))])
            ),
        ];
    }

    private ScoredSheet Fold(SheetRow row, Run run, IReadOnlyList<EventRow> events)
    {
        var head = texts.Head(row.HeadJson);
        var sheet = new StoredSheet(row, events, texts.Card(row.CardJson ?? run.CardJson, head.Options), head).Fold();
        return ScoredSheet.Of(sheet, new SheetId(row.Id));
    }
}

/// <summary>A run with how each of its sheets ended, in their order.</summary>
/// <param name="Run">The run as it is stored.</param>
/// <param name="Sheets">The sheets, in order.</param>
/// <param name="Fault">Why it cannot be scored: its card no longer reads. Null where it can.</param>
public sealed record ScoredRun(Run Run, IReadOnlyList<(SheetRow Row, ScoredSheet Outcome)> Sheets, Fault? Fault = null)
{
    /// <summary>The planned time; null where none was planned.</summary>
    public Duration? Planned => Run.Block is { Minutes: > 0 } block ? Duration.FromMinutes(block.Minutes) : null;

    /// <summary>The same without where it is stored.</summary>
    public KeptRun Kept() =>
        new(
            Run.Id,
            [.. Sheets.Select(sheet => new KeptSheet(sheet.Row.Id, sheet.Row.Name, sheet.Row.Stop, sheet.Outcome))],
            Planned
        );
}
