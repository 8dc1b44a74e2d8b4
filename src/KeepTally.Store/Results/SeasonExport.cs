using KeepTally.Core.Archive;
using KeepTally.Store.Database;
using KeepTally.Store.Files;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Results;

/// <summary>Everything of a team's practices over some time, as tables.</summary>
public sealed class SeasonExport(TallyDb db, SquadBook squad, PastBook past, PracticeResults results, PracticeExport export)
{
    /// <summary>The results of all practices: a row for each unit of each sheet.</summary>
    /// <param name="team">The id of the team.</param>
    /// <param name="since">Not before this day.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<SheetTable> ResultsAsync(int team, DateOnly since, CancellationToken cancellationToken = default) =>
        await ResultsAsync(team, await PracticesAsync(team, since, cancellationToken), cancellationToken);

    /// <summary>Players by drill, results, attendance, loads and every tap, a table each.</summary>
    /// <param name="team">The id of the team.</param>
    /// <param name="since">Not before this day.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IReadOnlyList<SheetTable>> AllAsync(int team, DateOnly since, CancellationToken cancellationToken = default)
    {
        var practices = await PracticesAsync(team, since, cancellationToken);
        var players = (await squad.ListAsync(team, cancellationToken)).Where(player => !player.Archived).ToArray();
        var sheets = await past.OfTeamAsync(team, null, since, cancellationToken);
        var archives = new List<PracticeArchive>();
        foreach (var practice in practices)
        {
            if (await export.OfAsync(practice, cancellationToken) is { } archive)
            {
                archives.Add(archive);
            }
        }

        return
        [
            PlayersOf(players, sheets),
            await ResultsAsync(team, practices, cancellationToken),
            AttendanceOf(players, practices, sheets),
            LoadsOf(players, sheets),
            TapTable.Of(archives),
        ];
    }

    private async Task<SheetTable> ResultsAsync(int team, IReadOnlyList<Practice> practices, CancellationToken cancellationToken)
    {
        var all = new List<(DateOnly, IReadOnlyList<Core.Reports.DrillResult>)>();
        foreach (var practice in practices)
        {
            all.Add((practice.Date, await results.OfAsync(practice.Id, cancellationToken)));
        }

        return ResultsTable.Of(all, await squad.NumbersAsync(team, cancellationToken));
    }

    private Task<List<Practice>> PracticesAsync(int team, DateOnly since, CancellationToken cancellationToken) =>
        db
            .Practices.AsNoTracking()
            .Include(practice => practice.Team)
            .Include(practice => practice.Attendance)
            .Where(practice => practice.TeamId == team && practice.Date >= since)
            .Where(practice => practice.Blocks.Any(block => block.Run != null))
            .OrderBy(practice => practice.Date)
            .ThenBy(practice => practice.Id)
            .ToListAsync(cancellationToken);

    /// <summary>The share made of each player in each drill; a drill with other rules has a column of its own.</summary>
    private static SheetTable PlayersOf(IReadOnlyList<Player> players, IReadOnlyList<PastSheet> sheets)
    {
        var records = players.Select(player => PlayerRecord.Of(player.UnitId, sheets)).ToArray();
        var drills = records
            .SelectMany(record => record.Drills)
            .Where(drill => drill.Past.All.Of > 0)
            .GroupBy(drill => HeadingOf(drill), StringComparer.Ordinal)
            .Select(drill => drill.Key)
            .Order(StringComparer.Ordinal)
            .ToArray();
        return new SheetTable(
            "Players",
            ["Name", "Practices", .. drills.SelectMany(drill => new[] { $"{drill}: made", $"{drill}: of" })],
            [
                .. players
                    .Zip(records)
                    .Select(each =>
                    {
                        var shares = each.Second.Drills.ToLookup(HeadingOf, drill => drill.Past.All, StringComparer.Ordinal);
                        return (IReadOnlyList<object?>)
                            [
                                each.First.Name,
                                each.Second.Practices.Count,
                                .. drills.SelectMany(drill =>
                                    Core.Judgement.Share.Sum(shares[drill]) is { Of: > 0 } share
                                        ? new object?[] { share.Made, share.Of }
                                        : [null, null]
                                ),
                            ];
                    }),
            ]
        );
    }

    private static string HeadingOf(PlayerDrill drill) =>
        drill.Card.Stages.Count > 1 && drill.Stage.Name.Length > 0 ? $"{drill.Card.Name}, {drill.Stage.Name}" : drill.Card.Name;

    /// <summary>Who was there: as it was recorded, else "here" for who was on a sheet; empty where neither says anything.</summary>
    private static SheetTable AttendanceOf(
        IReadOnlyList<Player> players,
        IReadOnlyList<Practice> practices,
        IReadOnlyList<PastSheet> sheets
    )
    {
        var on = sheets
            .SelectMany(
                sheet => sheet.Outcome.Report.Games.SelectMany(game => game.Stays),
                (sheet, stay) => (sheet.Practice.Id, stay.Player)
            )
            .ToHashSet();
        return new SheetTable(
            "Attendance",
            ["Name", .. practices.Select(practice => $"{practice.Date:yyyy-MM-dd} {practice.Title} ({practice.Id})")],
            [
                .. players.Select(player =>
                    (IReadOnlyList<object?>)
                        [
                            player.Name,
                            .. practices.Select(practice =>
                                practice.Attendance.FirstOrDefault(each => each.PlayerId == player.Id) is { } recorded
                                    ? recorded.Presence.ToString().ToLowerInvariant()
                                : on.Contains((practice.Id, player.UnitId)) ? "here"
                                : null
                            ),
                        ]
                ),
            ]
        );
    }

    private static SheetTable LoadsOf(IReadOnlyList<Player> players, IReadOnlyList<PastSheet> sheets) =>
        new(
            "Loads",
            ["Name", "Date", "Of", "Count"],
            [
                .. players.SelectMany(
                    player => LoadDay.Of(player.UnitId, sheets),
                    (player, day) =>
                        (IReadOnlyList<object?>)[player.Name, day.Date.ToDateTime(TimeOnly.MinValue), day.Kind, day.Count]
                ),
            ]
        );
}
