using KeepTally.Core.Cards;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Rules.Measures;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Results;

/// <summary>The best results of earlier practices of a team, like only held against like: the same card, scored the same.</summary>
public sealed class BestBook(TallyDb db, ScoredRuns outcomes)
{
    /// <summary>The number of runs looked back for each card.</summary>
    private const int RunsBack = 20;

    /// <summary>The bests for each sheet of a practice, by its id: a station of a circuit is its own drill.</summary>
    public Task<IReadOnlyDictionary<string, PastBests>> OfAsync(
        Practice practice,
        IReadOnlyList<StoredRun> runs,
        CancellationToken cancellationToken = default
    ) =>
        OfAsync(
            practice,
            [
                .. runs.SelectMany(
                    run => run.Sheets,
                    (run, sheet) => new ComparedSheet(sheet.Row.Id, sheet.Row.CardJson ?? run.Run.CardJson, sheet.Card, sheet.Head)
                ),
            ],
            cancellationToken
        );

    /// <summary>The same for sheets whose events need not be read.</summary>
    public Task<IReadOnlyDictionary<string, PastBests>> OfAsync(
        Practice practice,
        IReadOnlyList<ScoredRun> runs,
        CancellationToken cancellationToken = default
    ) =>
        OfAsync(
            practice,
            [
                .. runs.SelectMany(
                    run => run.Sheets,
                    (run, sheet) =>
                        new ComparedSheet(
                            sheet.Row.Id,
                            sheet.Row.CardJson ?? run.Run.CardJson,
                            sheet.Outcome.Card,
                            sheet.Outcome.Head
                        )
                ),
            ],
            cancellationToken
        );

    private readonly record struct ComparedSheet(string Id, string CardJson, DrillCard Card, LogHead Head);

    private async Task<IReadOnlyDictionary<string, PastBests>> OfAsync(
        Practice practice,
        IReadOnlyList<ComparedSheet> all,
        CancellationToken cancellationToken
    )
    {
        var sheets = all.Where(sheet => sheet.Card.Stages[sheet.Head.Stage].Scores == Scorer.Player).ToArray();
        var cards = sheets.Select(sheet => sheet.Card.Id).Distinct().ToArray();
        var past = await PastOf(practice, cards, cancellationToken);
        var keys = new ScoringKeys();
        var bests = new Dictionary<string, PastBests>(StringComparer.Ordinal);
        foreach (var run in await outcomes.OfRunsAsync(past, cancellationToken))
        {
            foreach (var (row, outcome) in run.Sheets)
            {
                Take(keys.Of(row.CardJson ?? run.Run.CardJson, outcome.Head), outcome);
            }
        }

        return sheets.ToDictionary(
            sheet => sheet.Id,
            sheet => bests.GetValueOrDefault(keys.Of(sheet.CardJson, sheet.Head), PastBests.None)
        );

        void Take(string print, ScoredSheet outcome)
        {
            foreach (var (player, level) in Levels.Of(outcome.Stage, outcome.Report))
            {
                var value = outcome.Stage.Measures[0].Better == Better.High ? level : -level;
                bests[print] = bests.GetValueOrDefault(print, PastBests.None).With(outcome.Stage, player, value);
            }
        }
    }

    /// <summary>The last runs of each card, and of circuits, which may have had it at a station.</summary>
    private async Task<IReadOnlyList<int>> PastOf(Practice practice, string[] cards, CancellationToken cancellationToken)
    {
        var found = await db
            .Runs.Where(run => run.Block!.Pause == null)
            .Where(run => run.Block!.Circuit != null || cards.Contains(run.Block.CardVersion!.CardId))
            .Join(db.Practices, run => run.Block!.PracticeId, each => each.Id, (run, each) => new { run, each })
            .Where(pair => pair.each.TeamId == practice.TeamId && pair.each.Id != practice.Id && pair.each.Date <= practice.Date)
            .OrderByDescending(pair => pair.each.Date)
            .ThenByDescending(pair => pair.run.Id)
            .Select(pair => new
            {
                pair.run.Id,
                Card = pair.run.Block!.CardVersion == null ? "" : pair.run.Block.CardVersion.CardId,
            })
            .ToListAsync(cancellationToken);
        return [.. found.GroupBy(run => run.Card).SelectMany(card => card.Take(RunsBack)).Select(run => run.Id)];
    }
}
