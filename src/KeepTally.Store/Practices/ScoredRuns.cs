using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Words;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Practices;

/// <summary>
/// How sheets ended, or stand so far. A sheet that was folded lately is folded again only when events have come to it or its
/// head has changed, as when somebody is erased; till then its events are not even read.
/// </summary>
public sealed class ScoredRuns(TallyDb db, TextCache texts, IMemoryCache cache)
{
    private static readonly MemoryCacheEntryOptions Lately = new() { SlidingExpiration = TimeSpan.FromHours(1), Size = 1 };

    /// <summary>What an outcome stands on.</summary>
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
        var live = new StoredSheet(row, events, texts.Card(row.CardJson ?? run.CardJson, head.Options), head).Fold();
        return new ScoredSheet(
            live.Card,
            live.Stage,
            live.Score.Clock.IsStarted,
            head,
            live.Units,
            live.Score.Report(live.Log.LastAt),
            JobsOf(live, head),
            NotesOf(live),
            PutRight(live)
        );
    }

    /// <summary>What a coach wrote down, and of whom.</summary>
    private static IReadOnlyList<NoteRow> NotesOf(Sheet live) =>
        [
            .. Standing(live)
                .OfType<RunEvent.Note>()
                .Select(note => new NoteRow(
                    note.Unit is { } unit ? live.Head.NameOf(unit) : null,
                    note.Text,
                    BreakWords.At(live, note.At),
                    note.OfPractice
                )),
        ];

    /// <summary>Taps that were put right afterwards, as they read now and as they read first.</summary>
    private static IReadOnlyList<string> PutRight(Sheet live) =>
        [
            .. Standing(live)
                .OfType<RunEvent.Tap>()
                .Select(tap => (Now: TapLine.Of(live, tap), How: TapLine.PutRight(live, tap)))
                .Where(each => each.How.Length > 0)
                .Select(each => $"{each.Now}, {each.How}"),
        ];

    private static IEnumerable<RunEvent> Standing(Sheet live) =>
        Enumerable.Range(0, live.Log.Count).Where(live.Log.StandsAt).Select(live.Log.ReadAt);

    /// <summary>What everyone did where places move on; nothing of a sheet that was never started.</summary>
    private static IReadOnlyList<JobRow> JobsOf(Sheet live, LogHead head) =>
        live.Stage.Moves.Count == 0 || !live.Score.Clock.IsStarted
            ? []
            :
            [
                .. live
                    .Floor.Stood.Select(player => new JobRow(
                        "",
                        head.NameOf(player),
                        JobWords.Done(live, live.JobsOf(player, live.Log.LastAt))
                    ))
                    .Where(row => row.Jobs.Length > 0),
            ];
}

/// <summary>A run with how each of its sheets ended, in their order.</summary>
/// <param name="Fault">Why it cannot be scored: its card no longer reads. Null where it can.</param>
public sealed record ScoredRun(Run Run, IReadOnlyList<(SheetRow Row, ScoredSheet Outcome)> Sheets, Fault? Fault = null);

/// <summary>How a sheet ended, or stands so far.</summary>
/// <param name="Begun">Whether it was started at all.</param>
/// <param name="Jobs">Where places move on: for how long each player had each job.</param>
/// <param name="PutRight">Taps that were put right afterwards, a line each.</param>
public sealed record ScoredSheet(
    DrillCard Card,
    Stage Stage,
    bool Begun,
    LogHead Head,
    IReadOnlyList<Unit> Units,
    ScoreReport Report,
    IReadOnlyList<JobRow> Jobs,
    IReadOnlyList<NoteRow> Notes,
    IReadOnlyList<string> PutRight
);

/// <summary>Something a coach wrote down while a drill was run.</summary>
/// <param name="Player">Of whom, by name; null of the drill.</param>
/// <param name="When">"at half-time" or "in the break", where it was; else empty.</param>
/// <param name="OfPractice">It is about the whole practice.</param>
public sealed record NoteRow(string? Player, string Text, string When, bool OfPractice);

/// <summary>What a player did at each job of a drill, in words.</summary>
/// <param name="Sheet">The name of the group or court; empty where there was only one.</param>
public sealed record JobRow(string Sheet, string Player, string Jobs);
