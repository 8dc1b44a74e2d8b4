using KeepTally.Core.Archive;
using KeepTally.Store.Database;
using KeepTally.Store.Files;
using KeepTally.Store.Seasons;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Results;

/// <summary>Everything of a team's practices over some time, as tables.</summary>
public sealed class SeasonExport(TallyDb db, SquadBook squad, PastBook past, PracticeResults results, PracticeExport export)
{
    /// <summary>The results of all practices: a row for each unit of each sheet.</summary>
    /// <param name="season">Which practices.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<SheetTable> ResultsAsync(Season season, CancellationToken cancellationToken = default) =>
        await ResultsAsync(season.Team, await PracticesAsync(season, cancellationToken), cancellationToken);

    /// <summary>Players by drill, results, attendance, loads and every tap, a table each.</summary>
    /// <param name="season">Which practices.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IReadOnlyList<SheetTable>> AllAsync(Season season, CancellationToken cancellationToken = default)
    {
        var practices = await PracticesAsync(season, cancellationToken);
        var players = (await squad.ListAsync(season.Team, cancellationToken)).Where(player => !player.Archived).ToArray();
        var sheets = await past.OfSeasonAsync(season, cancellationToken);
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
            await ResultsAsync(season.Team, practices, cancellationToken),
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

    /// <summary>The practices of a season that were begun, the oldest first, with what was recorded of their attendance.</summary>
    public Task<List<Practice>> PracticesAsync(Season season, CancellationToken cancellationToken) =>
        db
            .Practices.AsNoTracking()
            .Include(practice => practice.Team)
            .Include(practice => practice.Attendance)
            .Where(practice => practice.TeamId == season.Team)
            .Where(practice =>
                (season.First == null || practice.Date >= season.First) && (season.Last == null || practice.Date <= season.Last)
            )
            .Where(practice => practice.Blocks.Any(block => block.Run != null))
            .OrderBy(practice => practice.Date)
            .ThenBy(practice => practice.Id)
            .ToListAsync(cancellationToken);

    /// <summary>The share made of each player in each drill; a drill with other rules has a column of its own.</summary>
    private static SheetTable PlayersOf(IReadOnlyList<Player> players, IReadOnlyList<PastSheet> sheets)
    {
        var table = SquadTable.Of(sheets, [.. players.Select(player => (player.UnitId, player.Name))]);
        var practices = players.Select(player => PlayerRecord.Of(player.UnitId, sheets).Practices.Count);
        return new SheetTable(
            "Players",
            ["Name", "Practices", .. table.Drills.SelectMany(drill => new[] { $"{drill.Name}: made", $"{drill.Name}: of" })],
            [
                .. table.Players.Zip(
                    practices,
                    (player, count) =>
                        (IReadOnlyList<object?>)
                            [
                                player.Name,
                                count,
                                .. player.Drills.SelectMany(drill => new object?[] { drill?.Share.Made, drill?.Share.Of }),
                            ]
                ),
            ]
        );
    }

    private static SheetTable AttendanceOf(
        IReadOnlyList<Player> players,
        IReadOnlyList<Practice> practices,
        IReadOnlyList<PastSheet> sheets
    ) =>
        new(
            "Attendance",
            ["Name", .. practices.Select(practice => $"{practice.Date:yyyy-MM-dd} {practice.Title} ({practice.Id})")],
            [
                .. SquadAttendance
                    .Of(practices, players, sheets)
                    .Players.Select(player =>
                        (IReadOnlyList<object?>)[player.Name, .. player.Marks.Select(mark => mark?.ToString().ToLowerInvariant())]
                    ),
            ]
        );

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
