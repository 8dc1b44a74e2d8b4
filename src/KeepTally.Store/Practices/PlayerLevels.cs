using KeepTally.Core.Cards;
using KeepTally.Core.Dealing;
using KeepTally.Core.Identity;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>How strong players are by their latest result in a drill: what groups are made level by.</summary>
public sealed class PlayerLevels(TallyDb db, ScoredRuns outcomes, TextCache texts)
{
    /// <summary>Results of so many runs back count; the latest of each player.</summary>
    private const int RunsBack = 5;

    /// <summary>The drills in which players of a team have results of their own, by card.</summary>
    public async Task<IReadOnlyList<(string Card, string Name)>> ChoicesAsync(
        int team,
        CancellationToken cancellationToken = default
    )
    {
        // A history holds hundreds of runs of the same few cards: their texts are read once each.
        var played = await db
            .Blocks.Where(block => block.Circuit == null && block.Run != null)
            .Where(block => db.Practices.Any(practice => practice.Id == block.PracticeId && practice.TeamId == team))
            .Where(block => block.Run!.Sheets.Any(sheet => db.Events.Any(row => row.SheetId == sheet.Id)))
            .Select(block => new { block.CardVersionId, block.Stage })
            .Distinct()
            .Join(
                db.CardVersions,
                block => block.CardVersionId,
                card => card.Id,
                (block, card) =>
                    new
                    {
                        card.CardId,
                        card.Version,
                        card.Name,
                        block.Stage,
                        card.Json,
                    }
            )
            .ToListAsync(cancellationToken);
        return
        [
            .. played
                .Where(card => texts.Read(card.Json).Value?.Stages[card.Stage].Scores == Scorer.Player)
                .OrderByDescending(card => card.Version)
                .DistinctBy(card => card.CardId)
                .Select(card => (card.CardId, card.Name))
                .OrderBy(card => card.Name, StringComparer.Ordinal),
        ];
    }

    /// <summary>Each player's latest result in a drill, high for strong; who has none is left out.</summary>
    public async Task<IReadOnlyDictionary<PlayerId, double>> OfAsync(
        int team,
        string card,
        CancellationToken cancellationToken = default
    )
    {
        var levels = new Dictionary<PlayerId, double>();
        if (card.Length == 0)
        {
            return levels;
        }

        var runs = await db
            .Runs.Where(run => run.Block!.CardVersion!.CardId == card && run.Block.Circuit == null)
            .Join(db.Practices, run => run.Block!.PracticeId, practice => practice.Id, (run, practice) => new { run, practice })
            .Where(each => each.practice.TeamId == team)
            .OrderByDescending(each => each.practice.Date)
            .ThenByDescending(each => each.run.Id)
            .Take(RunsBack)
            .Select(each => each.run.Id)
            .ToListAsync(cancellationToken);
        foreach (var run in await outcomes.OfRunsAsync(runs, cancellationToken))
        {
            foreach (var (player, level) in run.Sheets.SelectMany(sheet => Levels.Of(sheet.Outcome.Stage, sheet.Outcome.Report)))
            {
                levels.TryAdd(player, level);
            }
        }

        return levels;
    }
}
