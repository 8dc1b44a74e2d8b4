using KeepTally.Core.Circuits;
using KeepTally.Core.Planning;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Store.Seasons;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Results;

/// <summary>The past practices of a team, sheet by sheet.</summary>
public sealed class PastBook(TallyDb db, ScoredRuns outcomes)
{
    /// <summary>The number of runs looked back.</summary>
    private const int RunsBack = 400;

    /// <summary>Every sheet that was begun, the oldest first; breaks and clocks of circuits are no drills.</summary>
    /// <param name="team">The id of the team.</param>
    /// <param name="card">Of one card alone, stations of circuits included; null of all.</param>
    /// <param name="since">Not before this day.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IReadOnlyList<PastSheet>> OfTeamAsync(
        int team,
        string? card = null,
        DateOnly? since = null,
        CancellationToken cancellationToken = default
    ) => await OfAsync(team, card, since ?? DateOnly.MinValue, DateOnly.MaxValue, RunsBack, cancellationToken);

    /// <summary>Every sheet of a season that was begun, the oldest first, however many there are.</summary>
    public async Task<IReadOnlyList<PastSheet>> OfSeasonAsync(Season season, CancellationToken cancellationToken = default) =>
        await OfAsync(
            season.Team,
            null,
            season.First ?? DateOnly.MinValue,
            season.Last ?? DateOnly.MaxValue,
            int.MaxValue,
            cancellationToken
        );

    private async Task<IReadOnlyList<PastSheet>> OfAsync(
        int team,
        string? card,
        DateOnly from,
        DateOnly to,
        int most,
        CancellationToken cancellationToken
    )
    {
        var found = await db
            .Runs.Where(run => run.Block!.Pause == null)
            .Where(run => card == null || run.Block!.Circuit != null || run.Block.CardVersion!.CardId == card)
            .Join(db.Practices, run => run.Block!.PracticeId, practice => practice.Id, (run, practice) => new { run, practice })
            .Where(pair => pair.practice.TeamId == team && pair.practice.Date >= from && pair.practice.Date <= to)
            .OrderByDescending(pair => pair.practice.Date)
            .ThenByDescending(pair => pair.run.Id)
            .Take(most)
            .Select(pair => new
            {
                pair.run.Id,
                Practice = new PastPractice(pair.practice.Id, pair.practice.Date, pair.practice.Title),
            })
            .ToListAsync(cancellationToken);
        found.Reverse();
        var keys = new ScoringKeys();
        var runs = await outcomes.OfRunsAsync([.. found.Select(run => run.Id)], cancellationToken);
        return
        [
            .. runs.Zip(found, (run, row) => (run, row.Practice))
                .SelectMany(each =>
                    each.run.Sheets.Where(sheet => sheet.Outcome.Begun && IsDrill(sheet.Outcome))
                        .Where(sheet => card is null || sheet.Outcome.Card.Id == card)
                        .Select(sheet => new PastSheet(
                            each.Practice,
                            each.run.Run.Id,
                            sheet.Outcome,
                            keys.Of(sheet.Row.CardJson ?? each.run.Run.CardJson, sheet.Outcome.Head)
                        )
                        {
                            Planned = sheet.Row.Stop is null ? each.run.Planned : null,
                        })
                ),
        ];
    }

    private static bool IsDrill(ScoredSheet sheet) => sheet.Card.Id != PauseCard.Id && sheet.Card.Id != CircuitCard.Id;
}

/// <summary>A practice that was.</summary>
public sealed record PastPractice(int Id, DateOnly Date, string Title);

/// <summary>How a sheet of a past practice ended.</summary>
/// <param name="Practice">The practice.</param>
/// <param name="RunId">The id of the run.</param>
/// <param name="Outcome">The sheet, scored.</param>
/// <param name="Scoring">Where it is the same, results can be compared.</param>
public sealed record PastSheet(PastPractice Practice, int RunId, ScoredSheet Outcome, string Scoring)
{
    /// <summary>The planned time of the drill; null where none was planned, and at a station.</summary>
    public Duration? Planned { get; init; }
}
