using KeepTally.Core.Faults;
using KeepTally.Core.Loads;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Results;

/// <summary>The limits of load the club goes by, and what they leave each player on a day.</summary>
public sealed class LoadBook(TallyDb db, PastBook past)
{
    /// <summary>The number of days before a day that rest can reach.</summary>
    private const int DaysBack = 31;

    /// <summary>The club's own limits, else what is published.</summary>
    public async Task<LoadTable> TableAsync(CancellationToken cancellationToken = default) =>
        await db.ClubLoads.AsNoTracking().Select(each => each.Text).FirstOrDefaultAsync(cancellationToken) is { } text
        && LoadTable.Read(text) is { IsOk: true, Value: var own }
            ? own
            : LoadTable.Suggested;

    /// <summary>Writes the club's own limits down; with no text what is suggested holds again. No faults where it was done.</summary>
    public async Task<IReadOnlyList<Fault>> SetAsync(string? text, CancellationToken cancellationToken = default)
    {
        var read = string.IsNullOrWhiteSpace(text) ? null : LoadTable.Read(text);
        if (read is { IsOk: false })
        {
            return read.Faults;
        }

        await db.ClubLoads.ExecuteDeleteAsync(cancellationToken);
        if (read is not null)
        {
            db.ClubLoads.Add(new ClubLoads { Text = read.Require().ToString() });
            await db.SaveChangesAsync(cancellationToken);
        }

        return [];
    }

    /// <summary>The load that players may still take on the day of a practice; a player without a year of birth has no limit here.</summary>
    public async Task<IReadOnlyList<LoadAllowance>> AllowancesAsync(
        Practice practice,
        IReadOnlyList<string> kinds,
        CancellationToken cancellationToken = default
    )
    {
        var table = await TableAsync(cancellationToken);
        var players = await db
            .Players.AsNoTracking()
            .Where(player => player.TeamId == practice.TeamId && player.BirthYear != null)
            .ToListAsync(cancellationToken);
        if (kinds.Count == 0 || players.Count == 0)
        {
            return [];
        }

        var day = practice.Date;
        var done = (await past.OfTeamAsync(practice.TeamId, null, day.AddDays(-DaysBack), cancellationToken))
            .Where(sheet => sheet.Practice.Id != practice.Id && sheet.Practice.Date <= day)
            .ToArray();
        return
        [
            .. players.SelectMany(player =>
            {
                var loads = LoadDay.Of(player.UnitId, done);
                return kinds
                    .Select(kind => (Kind: kind, Limit: table.For(kind, LoadLimits.AgeOn(player.BirthYear!.Value, day))))
                    .Where(each => each.Limit is not null)
                    .Select(each =>
                    {
                        var days = loads.Where(load => load.Kind == each.Kind).Select(load => (load.Date, load.Count)).ToArray();
                        return new LoadAllowance(
                            player.UnitId,
                            each.Kind,
                            days.Where(load => load.Date == day).Sum(load => load.Count),
                            each.Limit!.PerDay,
                            LoadJudge.On(day, each.Limit, days) is not null
                        );
                    });
            }),
        ];
    }
}
