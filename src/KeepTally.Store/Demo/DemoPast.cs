using KeepTally.Core.Chance;
using KeepTally.Core.Groups;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace KeepTally.Store.Demo;

/// <summary>
/// The past of the made-up club: a practice a week for eight weeks, begun as any practice is and played by stand-ins, so
/// that groups can be made level by results and partners be fresh. The same every time.
/// </summary>
public sealed class DemoPast(TallyDb db, DemoPlay play, TimeProvider clock)
{
    private const int Weeks = 8;

    private static readonly (string Title, (string Card, double Minutes, int Groups)[] Sheet)[] Practices =
    [
        ("Shooting on the move", [("minute-trios", 4, 4), ("three-gates", 6, 4), ("win-it-score-it", 8, 1)]),
        ("Finding the corners", [("two-rings", 8, 4), ("corner-calls", 6, 4), ("three-a-side", 6, 1)]),
        ("Clean under pressure", [("clean-or-not", 8, 4), ("minute-trios", 4, 4), ("win-it-score-it", 8, 1)]),
    ];

    /// <summary>
    /// Gives the club's first team a past, unless it has one, or cannot play as it stands now: all of it, or where it is
    /// stopped nothing. Any other team is left alone.
    /// </summary>
    public async Task SeedAsync(CancellationToken cancellationToken = default)
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        var team = await db
            .Teams.OrderBy(each => each.Id)
            .FirstOrDefaultAsync(each => each.Name == DemoClub.FirstTeam, cancellationToken);
        if (
            team is null
            || await db.Practices.AnyAsync(practice => practice.TeamId == team.Id && practice.Date < today, cancellationToken)
        )
        {
            return;
        }

        var cards = await DemoSheets.CardsAsync(db, cancellationToken);
        var players = await db
            .Players.Where(player => player.TeamId == team.Id)
            .OrderBy(player => player.Id)
            .ToListAsync(cancellationToken);
        var past = new List<Practice>();
        for (var n = 0; n < Weeks; n++)
        {
            past.Add(Practice(n, team.Id, today.AddDays(-7 * (Weeks - n)), players, cards));
        }

        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        db.Practices.AddRange(past);
        await db.SaveChangesAsync(cancellationToken);
        using var insert = new EventInsert(db.Database.GetDbConnection(), transaction.GetDbTransaction());
        foreach (var (n, practice) in past.Index())
        {
            var begun = new DateTimeOffset(practice.Date.ToDateTime(practice.Start), clock.GetLocalNow().Offset);
            var standIns = new StandIns(
                new SeededDraw(n, 2),
                players.ToDictionary(player => player.UnitId, player => SkillOf(player, n))
            );
            if (!await play.PlayAsync(practice, begun, standIns, insert, cancellationToken: cancellationToken))
            {
                return;
            }
        }

        await transaction.CommitAsync(cancellationToken);
    }

    private static Practice Practice(
        int n,
        int team,
        DateOnly date,
        List<Player> players,
        IReadOnlyDictionary<string, CardVersion> cards
    )
    {
        var draw = new SeededDraw(n, 1);
        var (title, sheet) = Practices[n % Practices.Length];
        return new Practice
        {
            TeamId = team,
            Title = title,
            Date = date,
            Start = new TimeOnly(17, 30),
            Minutes = 30,
            Split = SplitWay.Shuffle,
            SplitSeed = n + 1,
            Blocks = DemoSheets.Lines(sheet, cards),
            Attendance =
            [
                .. players
                    .Where(_ => draw.Below(7) == 0)
                    .Select(player => new Attendance { PlayerId = player.Id, Presence = Presence.Absent }),
            ],
        };
    }

    /// <summary>From a third to three quarters by the player, a little better every week.</summary>
    internal static double SkillOf(Player player, int practice) =>
        0.33 + (new SeededDraw(player.Number ?? 0, 3).Below(400) / 1000.0) + (0.008 * practice);
}
