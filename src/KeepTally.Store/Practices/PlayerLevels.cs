using KeepTally.Core.Cards;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>How strong players are by their latest result in a drill: what groups are made level by.</summary>
public sealed class PlayerLevels(TallyDb db, LiveRecord record)
{
    /// <summary>Results of so many runs back count; the latest of each player.</summary>
    private const int RunsBack = 5;

    /// <summary>The drills in which players of a team have results of their own, by card.</summary>
    public async Task<IReadOnlyList<(string Card, string Name)>> ChoicesAsync(int team, CancellationToken stop = default)
    {
        var runs = await db
            .Runs.Where(run => db.Practices.Any(practice => practice.Id == run.Block!.PracticeId && practice.TeamId == team))
            .Where(run => run.Sheets.Any(sheet => db.Events.Any(said => said.SheetId == sheet.Id)) && run.Block!.Circuit == null)
            .Select(run => new
            {
                run.Block!.CardVersion!.CardId,
                run.Block.CardVersion.Name,
                run.Block.Stage,
                run.Block.CardVersion.Json,
            })
            .ToListAsync(stop);
        return
        [
            .. runs.DistinctBy(run => run.CardId)
                .Where(run => Core.Formats.CardReader.Read(run.Json).Sure().Stages[run.Stage].Scores == Scorer.Player)
                .Select(run => (run.CardId, run.Name))
                .OrderBy(run => run.Name, StringComparer.Ordinal),
        ];
    }

    /// <summary>Each player's latest result in a drill, high for strong; who has none is left out.</summary>
    public async Task<IReadOnlyDictionary<string, double>> OfAsync(int team, string card, CancellationToken stop = default)
    {
        var levels = new Dictionary<string, double>(StringComparer.Ordinal);
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
            .ToListAsync(stop);
        foreach (var recorded in await record.OfRunsAsync(runs, stop))
        {
            foreach (var (player, level) in recorded.Sheets.SelectMany(sheet => LevelsOn(sheet, recorded.Run.CardJson)))
            {
                levels.TryAdd(player, level);
            }
        }

        return levels;
    }

    private static IEnumerable<(string Player, double Level)> LevelsOn(RecordedSheet sheet, string card)
    {
        var live = sheet.Fold(card);
        if (live.Stage.Scores != Scorer.Player)
        {
            yield break;
        }

        var measure = live.Stage.Measures[0];
        foreach (var unit in live.ReportAt(live.Log.LastAt).Units.Where(unit => unit.Counts.Any(count => count.Value > 0)))
        {
            if (unit.Value(measure.By) is { } value)
            {
                yield return (unit.Id, measure.Better == Better.High ? value : -value);
            }
        }
    }
}
