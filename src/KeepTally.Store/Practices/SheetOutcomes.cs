using KeepTally.Core.Cards;
using KeepTally.Core.Sheets;
using KeepTally.Store.Book;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Practices;

/// <summary>
/// How sheets ended, or stand so far. A sheet that was folded lately is folded again only when events have come to it or its
/// head has changed, as when somebody is erased; till then its events are not even read.
/// </summary>
public sealed class SheetOutcomes(TallyDb db, TextShelf texts, IMemoryCache cache)
{
    private static readonly MemoryCacheEntryOptions Lately = new() { SlidingExpiration = TimeSpan.FromHours(1), Size = 1 };

    /// <summary>What an outcome stands on.</summary>
    private readonly record struct Key(string Sheet, string Head, long Last);

    /// <summary>The runs of a practice, in the order of its blocks.</summary>
    public async Task<IReadOnlyList<RunOutcome>> OfPracticeAsync(int practice, CancellationToken stop = default) =>
        await OfAsync(await RunRows.OfPracticeAsync(db, practice, stop), stop);

    /// <summary>Runs in the order asked for.</summary>
    public async Task<IReadOnlyList<RunOutcome>> OfRunsAsync(IReadOnlyList<int> ids, CancellationToken stop = default) =>
        await OfAsync(await RunRows.OfAsync(db, ids, stop), stop);

    private async Task<IReadOnlyList<RunOutcome>> OfAsync(List<Run> runs, CancellationToken stop)
    {
        var sheets = runs.SelectMany(run => run.Sheets).Select(sheet => sheet.Id).ToArray();
        var last = await db
            .Events.Where(said => sheets.Contains(said.SheetId))
            .GroupBy(said => said.SheetId)
            .Select(each => new { each.Key, Last = each.Max(said => said.Sequence) })
            .ToDictionaryAsync(each => each.Key, each => each.Last, stop);
        Key KeyOf(SheetRow sheet) => new(sheet.Id, sheet.HeadJson, last.GetValueOrDefault(sheet.Id));

        var known = new Dictionary<string, SheetOutcome>(StringComparer.Ordinal);
        foreach (var sheet in runs.SelectMany(run => run.Sheets))
        {
            if (cache.TryGetValue(KeyOf(sheet), out SheetOutcome? outcome))
            {
                known[sheet.Id] = outcome!;
            }
        }

        var unknown = sheets.Where(id => !known.ContainsKey(id)).ToArray();
        var rows =
            unknown.Length == 0
                ? []
                : await db.Events.AsNoTracking().Where(said => unknown.Contains(said.SheetId)).ToListAsync(stop);
        var events = rows.ToLookup(said => said.SheetId);
        foreach (var run in runs)
        {
            foreach (var sheet in run.Sheets.Where(sheet => !known.ContainsKey(sheet.Id)))
            {
                // Events that came since the last were asked for are folded with the rest; the next look finds a newer last.
                known[sheet.Id] = cache.Set(KeyOf(sheet), Fold(sheet, run, [.. events[sheet.Id]]), Lately);
            }
        }

        return [.. runs.Select(run => new RunOutcome(run, [.. run.Sheets.Select(sheet => (sheet, known[sheet.Id]))]))];
    }

    private SheetOutcome Fold(SheetRow row, Run run, IReadOnlyList<EventRow> events)
    {
        var head = texts.Head(row.HeadJson);
        var live = new RecordedSheet(row, events, texts.Card(row.CardJson ?? run.CardJson, head.Options), head).Fold();
        return new SheetOutcome(
            live.Card,
            live.Stage,
            live.Sheet.Clock.IsStarted,
            live.Units,
            live.Sheet.Report(live.Log.LastAt),
            live.Stage.Moves.Count == 0
                ? []
                : [.. live.Floor.Stood.Select(player => new GoesRow("", head.NameOf(player), live.Floor.GoesOf(player)))]
        );
    }
}

/// <summary>A run with how each of its sheets ended, in their order.</summary>
public sealed record RunOutcome(Run Run, IReadOnlyList<(SheetRow Row, SheetOutcome Outcome)> Sheets);

/// <summary>How a sheet ended, or stands so far.</summary>
/// <param name="Begun">Whether it was started at all.</param>
/// <param name="Goes">Where places move on: how often each player had each job.</param>
public sealed record SheetOutcome(
    DrillCard Card,
    Stage Stage,
    bool Begun,
    IReadOnlyList<Unit> Units,
    SheetReport Report,
    IReadOnlyList<GoesRow> Goes
);

/// <summary>How often a player had each job of a drill.</summary>
/// <param name="Sheet">The name of the group or court; empty where there was only one.</param>
public sealed record GoesRow(string Sheet, string Player, IReadOnlyDictionary<string, int> Goes);
