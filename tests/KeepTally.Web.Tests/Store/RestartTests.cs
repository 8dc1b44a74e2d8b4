using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Tests.Store;

public sealed class RestartTests
{
    [Fact]
    public async Task Started_again_everything_stands_as_it_was_and_the_demo_is_not_laid_over_it()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var sheets = await home.BegunAsync();
        var practice = await home.PracticeAsync();
        await home.WithAsync<EventJournal, Appended>(journal =>
            journal.AppendAsync(
                new SheetId(sheets[8]),
                [
                    new RunEvent.Start(new EventId(new DeviceId("d"), 1), new Instant(0)),
                    new RunEvent.Tap(
                        new EventId(new DeviceId("d"), 2),
                        new Instant(9_000),
                        new PlayerId("plain"),
                        "goal",
                        null,
                        null,
                        null
                    ),
                    new RunEvent.Undo(new EventId(new DeviceId("d"), 3), new Instant(9_500), new EventId(new DeviceId("d"), 2)),
                    new RunEvent.Tap(
                        new EventId(new DeviceId("e"), 1),
                        new Instant(12_000),
                        new PlayerId("striped"),
                        "stop",
                        null,
                        null,
                        null
                    ),
                ]
            )
        );

        await home.StopAsync();
        await home.StartAsync();

        Assert.Equal(practice, await home.PracticeAsync());
        var record = await home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(live => live.OfAsync(practice));
        var match = record[2].Sheets[0].Fold().ReportAt(new Instant(20_000));
        Assert.Equal([0.0, 1.0], match.Units.Select(unit => unit.Points));
        Assert.Equal(new RunningTime(15_000), match.Running);
    }

    [Fact]
    public async Task The_next_day_the_demo_has_a_practice_for_that_day_too()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        await home.StopAsync();
        home.Clock.Advance(TimeSpan.FromDays(1));
        await home.StartAsync();

        var practice = await home.WithAsync<PracticeBook, Practice?>(book => book.ForDayAsync(new DateOnly(2026, 9, 4)));

        Assert.Equal(new DateOnly(2026, 9, 4), practice!.Date);
        Assert.Equal(9, practice.Blocks.Count);
        Assert.Equal(2, PracticeBook.Absent(practice).Count);
    }

    [Fact]
    public async Task Without_a_practice_that_day_the_next_to_come_is_shown_and_else_the_last_that_was()
    {
        await using var home = new Installation();
        await home.InitializeAsync();

        Task<Practice?> On(DateOnly day) => home.WithAsync<PracticeBook, Practice?>(book => book.ForDayAsync(day));

        Assert.Equal(new DateOnly(2026, 9, 3), (await On(new DateOnly(2026, 8, 30)))!.Date);
        Assert.Equal(new DateOnly(2026, 9, 3), (await On(new DateOnly(2026, 10, 1)))!.Date);
    }

    [Fact]
    public async Task A_player_of_another_team_cannot_be_marked()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var practice = await home.PracticeAsync();
        var stranger = await home.WithAsync<KeepTally.Store.Database.TallyDb, int>(async db =>
        {
            var team = new Team { Name = "Others" };
            db.Teams.Add(team);
            await db.SaveChangesAsync();
            return await new SquadBook(db, new TenantScope()).AddAsync(
                team.Id,
                new PlayerDetails("Una Vale", null, null, "", null, "")
            );
        });

        Assert.False(await home.WithAsync<PracticeBook, bool>(book => book.MarkAsync(practice, stranger, Presence.Absent)));
        Assert.False(await home.WithAsync<PracticeBook, bool>(book => book.MarkAsync(999, 1, Presence.Absent)));
    }
}
