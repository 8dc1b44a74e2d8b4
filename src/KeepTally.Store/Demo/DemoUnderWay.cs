using KeepTally.Core.Chance;
using KeepTally.Core.Groups;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace KeepTally.Store.Demo;

/// <summary>
/// The half-done practice of the made-up club: another team began a quarter of an hour ago, two drills are over, the third can
/// be started.
/// </summary>
public sealed class DemoUnderWay(TallyDb db, DemoPlay play, TimeProvider clock)
{
    private const int Seed = 61;
    private const int Played = 2;

    /// <summary>Three groups of three.</summary>
    private const int Playing = 9;

    /// <summary>The lines of the sheet: the first two and the minute before each make 12 minutes.</summary>
    private static readonly (string Card, double Minutes, int Groups)[] Sheet =
    [
        ("minute-trios", 4, 3),
        ("three-gates", 6, 3),
        ("win-it-score-it", 8, 1),
        ("round-and-back", 6, 3),
    ];

    private static readonly TimeSpan Ago = TimeSpan.FromMinutes(13);

    /// <summary>Gives the second team its practice, unless it has one today, or today is too young for it.</summary>
    public async Task SeedAsync(CancellationToken cancellationToken = default)
    {
        var now = clock.GetLocalNow();
        var begun = now - Ago;
        var today = DateOnly.FromDateTime(now.DateTime);
        var team = await db
            .Teams.OrderBy(each => each.Id)
            .FirstOrDefaultAsync(each => each.Name == DemoClub.SecondTeam, cancellationToken);
        if (
            team is null
            || DateOnly.FromDateTime(begun.DateTime) != today
            || await db.Practices.AnyAsync(practice => practice.TeamId == team.Id && practice.Date == today, cancellationToken)
        )
        {
            return;
        }

        var cards = await DemoSheets.CardsAsync(db, cancellationToken);
        var players = await db
            .Players.Where(player => player.TeamId == team.Id && !player.Archived)
            .OrderBy(player => player.Id)
            .ToListAsync(cancellationToken);
        if (players.Count <= Playing)
        {
            return;
        }

        var practice = new Practice
        {
            TeamId = team.Id,
            Title = "Quick hands, quick feet",
            Date = today,
            Start = new TimeOnly(begun.Hour, begun.Minute),
            Minutes = 35,
            Place = "Saltmarsh hall",
            Split = SplitWay.Shuffle,
            SplitSeed = Seed,
            Blocks = DemoSheets.Lines(Sheet, cards),
            Attendance =
            [
                .. players.Skip(Playing).Select(player => new Attendance { PlayerId = player.Id, Presence = Presence.Absent }),
            ],
        };
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        db.Practices.Add(practice);
        await db.SaveChangesAsync(cancellationToken);
        using var insert = new EventInsert(db.Database.GetDbConnection(), transaction.GetDbTransaction());
        var standIns = new StandIns(
            new SeededDraw(Seed, 2),
            players.ToDictionary(player => player.UnitId, player => DemoPast.SkillOf(player, 0))
        );
        if (await play.PlayAsync(practice, begun, standIns, insert, Played, cancellationToken))
        {
            await transaction.CommitAsync(cancellationToken);
        }
    }
}
