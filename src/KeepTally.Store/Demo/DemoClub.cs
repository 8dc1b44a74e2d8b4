using System.Globalization;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Demo;

/// <summary>The made-up club Saltmarsh Terns: a squad and a practice today. The same every time.</summary>
public sealed class DemoClub(TallyDb db, UserManager<Coach> users, TimeProvider clock)
{
    internal const string FirstTeam = "Saltmarsh Terns under-14";
    internal const string SecondTeam = "Saltmarsh Terns under-16";

    private static readonly (string Name, int Number, string Positions, Hand Hand, bool Absent)[] Squad =
    [
        ("Ada Fenwick", 2, "left wing", Hand.Right, false),
        ("Bea Marlowe", 3, "left back", Hand.Right, false),
        ("Cleo Hartnett", 4, "centre back", Hand.Right, false),
        ("Dora Quill", 5, "right back", Hand.Left, false),
        ("Esme Thornbury", 6, "right wing", Hand.Left, false),
        ("Freya Lockwood", 7, "pivot", Hand.Right, false),
        ("Greta Winslow", 8, "left wing;left back", Hand.Right, true),
        ("Hana Pemberley", 9, "centre back", Hand.Right, false),
        ("Iris Calloway", 10, "right back", Hand.Left, false),
        ("Juno Ashdown", 11, "pivot", Hand.Right, false),
        ("Kit Sandford", 12, "goalkeeper", Hand.Right, false),
        ("Lena Brackwater", 14, "right wing", Hand.Both, false),
        ("Mina Osgood", 15, "left back", Hand.Right, true),
        ("Nell Harcastle", 16, "goalkeeper", Hand.Right, false),
    ];

    /// <summary>The other groups of the club, by name, number and position.</summary>
    private static readonly (string Team, string Sport, int Age, string[] Players)[] OtherTeams =
    [
        (
            SecondTeam,
            "handball",
            15,
            [
                "Alba Pentreath,2,left wing",
                "Bryony Cole,4,left back",
                "Carys Winterbourne,5,centre back",
                "Delia Marsh,6,right back",
                "Edie Trevanion,7,right wing",
                "Fern Hollis,8,pivot",
                "Gwen Ashby,9,left back",
                "Hattie Dunmore,10,pivot",
                "Isla Crane,12,goalkeeper",
                "Josie Pell,16,goalkeeper",
            ]
        ),
        (
            "Saltmarsh Terns hockey",
            "field hockey",
            16,
            [
                "Kerra Blythe,1,goalkeeper",
                "Lowen Tamsin,3,defender",
                "Merryn Stokes,4,defender",
                "Nancy Orchard,6,midfielder",
                "Oona Fairlie,8,midfielder",
                "Perran Quick,9,forward",
                "Rosie Kestle,10,forward",
                "Sennen Hart,11,forward",
            ]
        ),
    ];

    /// <summary>The made-up coaches; each assistant helps with the team named.</summary>
    private static readonly (string Name, string? Team)[] Coaches =
    [
        ("Robin Teal", null),
        ("Sam Wren", FirstTeam),
        ("Lou Dunlin", "Saltmarsh Terns hockey"),
    ];

    /// <summary>Whether the demo may be played with a data folder: it is empty, or a demo's; never a real club's.</summary>
    public async Task<bool> MaySeedAsync(CancellationToken cancellationToken = default) =>
        !await db.Users.AnyAsync(cancellationToken) || await db.Users.AnyAsync(coach => coach.IsDemo, cancellationToken);

    /// <summary>Fills an empty database, and gives any other a practice for today where it has none.</summary>
    public async Task SeedAsync(CancellationToken cancellationToken = default)
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        var team =
            await db.Teams.OrderBy(each => each.Id).FirstOrDefaultAsync(cancellationToken)
            ?? await SettleAsync(today.Year, cancellationToken);
        await LetInAsync(cancellationToken);
        if (await db.Practices.AnyAsync(practice => practice.TeamId == team.Id && practice.Date == today, cancellationToken))
        {
            return;
        }

        var cards = await DemoSheets.CardsAsync(db, cancellationToken);
        var absent = Squad.Where(each => each.Absent).Select(each => each.Name).ToHashSet();
        var players = await db.Players.Where(player => player.TeamId == team.Id).ToListAsync(cancellationToken);
        var practice = DemoSheets.ForToday(id => cards[id]);
        (practice.TeamId, practice.Date) = (team.Id, today);
        practice.Attendance.AddRange(
            players
                .Where(player => absent.Contains(player.Name))
                .Select(player => new Attendance { PlayerId = player.Id, Presence = Presence.Absent })
        );
        db.Practices.Add(practice);
        if (!await db.Practices.AnyAsync(each => each.TeamId == team.Id && each.Date > today, cancellationToken))
        {
            foreach (var (days, next) in DemoSheets.ToCome(id => cards[id]))
            {
                (next.TeamId, next.Date) = (team.Id, today.AddDays(days));
                db.Practices.Add(next);
            }
        }

        await db.SaveChangesAsync(cancellationToken);
    }

    private async Task LetInAsync(CancellationToken cancellationToken)
    {
        if (await db.Users.AnyAsync(cancellationToken))
        {
            return;
        }

        foreach (var (name, team) in Coaches)
        {
            var coach = new Coach
            {
                UserName = name,
                IsHead = team is null,
                IsDemo = true,
            };
            if (await db.Teams.FirstOrDefaultAsync(each => each.Name == team, cancellationToken) is { } helped)
            {
                coach.Teams.Add(new CoachTeam { TeamId = helped.Id });
            }

            await users.CreateAsync(coach);
        }
    }

    private async Task<Team> SettleAsync(int year, CancellationToken cancellationToken)
    {
        var team = new Team
        {
            Name = FirstTeam,
            Sport = "handball",
            Habits = "Loose ball",
        };
        db.Teams.Add(team);
        db.Gear.AddRange(DemoSheets.Gear.Select(each => new Gear { Item = each.Item, Count = each.Count }));
        await db.SaveChangesAsync(cancellationToken);
        db.Players.AddRange(
            Squad.Select(each => new Player
            {
                TeamId = team.Id,
                Name = each.Name,
                Number = each.Number,
                BirthYear = year - 13,
                Positions = each.Positions,
                Hand = each.Hand,
            })
        );
        foreach (var other in OtherTeams)
        {
            var group = new Team { Name = other.Team, Sport = other.Sport };
            db.Teams.Add(group);
            await db.SaveChangesAsync(cancellationToken);
            db.Players.AddRange(
                other
                    .Players.Select(player => player.Split(','))
                    .Select(player => new Player
                    {
                        TeamId = group.Id,
                        Name = player[0],
                        Number = int.Parse(player[1], CultureInfo.InvariantCulture),
                        BirthYear = year - other.Age,
                        Positions = player[2],
                    })
            );
        }

        await db.SaveChangesAsync(cancellationToken);
        return team;
    }
}
