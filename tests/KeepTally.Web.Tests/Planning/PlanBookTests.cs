using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Planning;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Planning;

/// <summary>Sheets of practices: edited as values, written as rows, and changed while practice runs.</summary>
public sealed class PlanBookTests : IAsyncLifetime
{
    private readonly Installation _home = Installation.Whole();
    private int _practice;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        _practice = await _home.WithAsync<TallyDb, int>(db =>
            db.Practices.Where(each => each.Date == new DateOnly(2026, 9, 3)).Select(each => each.Id).SingleAsync()
        );
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task The_demo_is_a_full_sheet_with_nothing_to_say_against_it()
    {
        var open = await OpenAsync();
        var report = PlanReport.Of(open.Plan, open.Shelf);

        Assert.Empty(report.Warnings);
        Assert.Equal(75, open.Plan.Minutes);
        Assert.Contains(open.Plan.Blocks, block => block is PlanBlock.Circuit);
        Assert.Contains(open.Plan.Blocks, block => block is PlanBlock.Break);
        Assert.Contains(open.Plan.Blocks, block => block is PlanBlock.Talk);
        Assert.Equal(4, open.Plan.Reserve.Count);
        Assert.Equal((12, 13), (open.Plan.Players, open.Plan.Age));
        Assert.Equal(2, await _home.WithAsync<TallyDb, int>(db => db.Practices.CountAsync(each => each.Date > open.Practice.Date)));
    }

    [Fact]
    public async Task Whatever_is_edited_is_there_when_it_is_opened_again()
    {
        var before = await OpenAsync();
        var edited = before.Plan.Moved(1, 0).Without(8) with
        {
            Title = "Another",
            Place = "Field 2",
            Caps = new Caps(12, 60, 9),
            Coaches = 3,
            Reserve = ["last-line"],
        };
        edited = edited
            .With(2, edited.Blocks[2].WithMinutes(7).WithGroups(2) with { Takes = ["Robin Teal", "Sam Wren"] })
            .Inserted(3, new PlanBlock.Talk("Why", 1.5) { ChangeSeconds = 20 });

        Assert.Null(await EditAsync(_ => Result.Ok(edited)));

        var after = (await OpenAsync()).Plan;
        Assert.Equal(PlanWriter.Write(edited), PlanWriter.Write(after));
        // Lines that were there are the same lines still.
        Assert.Equal(
            edited.Blocks.Where(block => block.Key is not null).Select(block => block.Key),
            after.Blocks.Where(block => edited.Blocks.Any(each => each.Key == block.Key)).Select(block => block.Key)
        );
    }

    [Fact]
    public async Task Two_who_edit_at_once_lose_nothing_of_each_other()
    {
        var edited = await EditAsync(open =>
        {
            // While one is at it another puts a drill in.
            var other = EditAsync(each => Result.Ok(each.Plan.Inserted(9, new PlanBlock.Drill("tag-the-hare", 6, 2))))
                .GetAwaiter()
                .GetResult();
            Assert.Null(other);
            return Result.Ok(open.Plan.Inserted(9, new PlanBlock.Drill("last-line", 6, 2)));
        });

        Assert.Null(edited);
        Assert.Equal(["last-line", "tag-the-hare"], (await OpenAsync()).Plan.Blocks.Skip(9).SelectMany(block => block.Cards));
    }

    [Fact]
    public async Task What_is_borrowed_counts_for_this_practice_alone()
    {
        Assert.Null(
            await EditAsync(open =>
                Result.Ok(
                    open.Plan with
                    {
                        Equipment = new Dictionary<string, int>(open.Plan.Equipment!) { ["cone"] = 44, ["ball"] = 20 },
                    }
                )
            )
        );

        var other = await _home.WithAsync<TallyDb, int>(db =>
            db.Practices.Where(each => each.Date > new DateOnly(2026, 9, 3)).Select(each => each.Id).FirstAsync()
        );
        var things = (await OpenAsync()).Plan.Equipment!;
        Assert.Equal((44, 20, 14), (things["cone"], things["ball"], things["bib"]));
        Assert.Equal(40, (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(other)))!.Plan.Equipment!["cone"]);
    }

    [Fact]
    public async Task What_the_club_buys_is_added_to_what_is_borrowed_and_that_can_be_given_back()
    {
        Assert.Null(
            await EditAsync(open =>
                Result.Ok(open.Plan with { Equipment = new Dictionary<string, int>(open.Plan.Equipment!) { ["cone"] = 44 } })
            )
        );
        Assert.Null(await _home.WithAsync<GearBook, Fault?>(async gear => (await gear.SetAsync("cone", 60)).FirstFault));
        Assert.Equal(64, (await OpenAsync()).Plan.Equipment!["cone"]);

        await _home.Visit().PostAsync($"/plan/{_practice}?handler=GiveBack", $"/plan/{_practice}", ("item", "cone"));
        var open = await OpenAsync();
        Assert.Equal(60, open.Plan.Equipment!["cone"]);
        Assert.Empty(PlanRows.Borrowed(open.Practice));
    }

    [Fact]
    public async Task What_the_club_has_is_written_down_or_it_is_said_why_not()
    {
        Task<Fault?> SetAsync(string item, int? count) =>
            _home.WithAsync<GearBook, Fault?>(async gear => (await gear.SetAsync(item, count)).FirstFault);

        Assert.Equal("item", (await SetAsync(" ", 3))!.Path);
        Assert.Equal("count", (await SetAsync("hoop", -1))!.Path);
        Assert.Null(await SetAsync(" hoop ", 3));
        Assert.Null(await SetAsync("hoop", 4));
        Assert.Equal(4, (await OpenAsync()).Plan.Equipment!["hoop"]);
        Assert.Null(await SetAsync("hoop", null));
        Assert.DoesNotContain("hoop", (await OpenAsync()).Plan.Equipment!.Keys);
    }

    [Fact]
    public async Task Walks_that_leave_no_time_at_the_stations_are_refused_and_nothing_is_changed()
    {
        var before = PlanWriter.Write((await OpenAsync()).Plan);
        var fault = await EditAsync(open =>
            Result.Ok(open.Plan.With(4, (PlanBlock.Circuit)open.Plan.Blocks[4] with { BetweenSeconds = 300, ChangeInside = true }))
        );

        Assert.Contains("the walks take all of the time", fault!.Problem, StringComparison.Ordinal);
        Assert.Equal(before, PlanWriter.Write((await OpenAsync()).Plan));
    }

    [Fact]
    public async Task A_practice_that_was_never_begun_goes_with_all_that_hangs_on_it_and_one_that_was_does_not()
    {
        var coach = _home.Visit();
        await coach.SendAsync(await coach.OpenAsync($"/door/{_practice}"), "form");
        Assert.True(await _home.WithAsync<PlanBook, bool>(async plans => (await plans.DeleteAsync(_practice)).IsOk));
        Assert.Null(await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(_practice)));
        Assert.Equal(0, await _home.WithAsync<TallyDb, int>(db => db.Blocks.CountAsync(each => each.PracticeId == _practice)));
        Assert.Equal(0, await _home.WithAsync<TallyDb, int>(db => db.Doors.CountAsync(each => each.PracticeId == _practice)));

        _practice++;
        await BeginAsync();
        Assert.False(await _home.WithAsync<PlanBook, bool>(async plans => (await plans.DeleteAsync(_practice)).IsOk));
    }

    [Fact]
    public async Task While_it_runs_what_has_begun_stands_and_the_rest_can_be_changed()
    {
        await BeginAsync();
        await StartAsync(0);
        var open = await OpenAsync();
        Assert.Equal(1, open.FirstOpen);

        var refused = await EditAsync(each => Result.Ok(each.Plan.Without(0)));
        Assert.Contains("has begun and stands", refused!.Problem, StringComparison.Ordinal);
        Assert.NotNull(await EditAsync(each => Result.Ok(each.Plan.Moved(1, 0))));
        Assert.NotNull(await EditAsync(each => Result.Ok(each.Plan.With(0, each.Plan.Blocks[0].WithGroups(2)))));

        // A drill from the book as the next, one removed, two swapped, water made shorter.
        Assert.Null(
            await EditAsync(each =>
                Result.Ok(each.Plan.Inserted(1, new PlanBlock.Drill("tag-the-hare", 6, 2) { ChangeSeconds = 60 }))
            )
        );
        Assert.Null(await EditAsync(each => Result.Ok(each.Plan.Without(9))));
        Assert.Null(await EditAsync(each => Result.Ok(each.Plan.Moved(2, 3))));
        Assert.Null(await EditAsync(each => Result.Ok(each.Plan.With(4, each.Plan.Blocks[4].WithMinutes(1)))));

        var runs = await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(store => store.OfAsync(_practice));
        Assert.Equal(
            ["minute-trios", "tag-the-hare", "win-it-score-it", "three-gates", "pause", "circuit"],
            runs.Take(6).Select(run => run.Sheets[0].Card.Id)
        );
        Assert.Equal(9, runs.Count);
        Assert.Equal(60, runs[4].Sheets[0].Card.Stages[0].Clock!.Work.TotalSeconds);
        Assert.Equal(12, runs[1].Sheets.Sum(sheet => sheet.Head.Units.Sum(unit => unit.People.Count())));
        Assert.Equal(4, (await OpenAsync()).Practice.SheetVersion);
    }

    [Fact]
    public async Task A_player_who_has_gone_or_come_since_is_dealt_accordingly()
    {
        await BeginAsync();
        await StartAsync(0);
        var runs = await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(store => store.OfAsync(_practice));
        var ada = runs[0].Sheets[0].Head.Units[0].Id;
        foreach (var sheet in runs.SelectMany(run => run.Sheets).Where(sheet => sheet.Fold().Score.Roster.Has(ada)))
        {
            await AppendAsync(
                sheet.Row.Id,
                new RunEvent.Substitution(new EventId(new DeviceId("a"), 9), new Instant(9), ada, null)
            );
        }

        Assert.Null(await EditAsync(each => Result.Ok(each.Plan.Inserted(1, new PlanBlock.Drill("tag-the-hare", 6, 1)))));

        var fresh = (await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(store => store.OfAsync(_practice)))[1];
        var players = fresh.Sheets.SelectMany(sheet => sheet.Head.Units).SelectMany(unit => unit.People).ToArray();
        Assert.Equal(11, players.Length);
        Assert.DoesNotContain(players, player => player.Id == ada);
        Assert.Contains(fresh.Sheets[0].Head.Bench!, player => player.Id == ada);
    }

    [Fact]
    public async Task What_was_removed_and_is_begun_all_the_same_stands_on_the_sheet_again()
    {
        await BeginAsync();
        await StartAsync(0);
        var gone = (await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(store => store.OfAsync(_practice)))[1];
        Assert.Null(await EditAsync(each => Result.Ok(each.Plan.Without(1))));
        Assert.DoesNotContain(
            (await OpenAsync()).Plan.Blocks,
            block => block.Cards.Contains("three-gates") && block is PlanBlock.Drill
        );

        var visitor = _home.Visit();
        var sheet = gone.Sheets[0].Row.Id;
        var at = 5;
        await visitor.PostEventsAsync(sheet, $$"""{"device":"late","n":1,"at":{{at}},"type":"start"}""");

        Assert.Contains((await OpenAsync()).Plan.Blocks, block => block is PlanBlock.Drill { Card: "three-gates" });
    }

    [Fact]
    public async Task A_break_that_was_run_is_no_drill_that_was_done_and_has_no_result()
    {
        await BeginAsync();
        await StartAsync(3);

        Assert.Contains((await OpenAsync()).Begun, key => key > 0);
        Assert.DoesNotContain(
            await _home.WithAsync<PracticeResults, IReadOnlyList<DrillResult>>(results => results.OfAsync(_practice)),
            result => result.Card.Id == PauseCard.Id
        );
        var coach = _home.Visit();
        foreach (
            var page in new[]
            {
                "/",
                "/plan",
                $"/plan/{_practice}",
                "/drills",
                $"/results/{_practice}",
                "/results",
                $"/run/{_practice}",
                $"/board/{_practice}",
            }
        )
        {
            await coach.OpenAsync(page);
        }
    }

    [Fact]
    public async Task Behind_its_time_the_rest_is_squeezed_into_what_is_left()
    {
        await BeginAsync();
        await StartAsync(0);
        _home.Clock.SetUtcNow(new DateTimeOffset(2026, 9, 3, 17, 58, 0, TimeSpan.Zero));
        var open = await OpenAsync();
        var behind = open.BehindAt(_home.Clock.GetUtcNow(), TimeZoneInfo.Utc);
        // Begun two hours before its time, it is held against when it began: 15:30, and what comes next was due at 15:36.
        Assert.Equal(((2 * 60) + 22) * 60, behind);

        var fitted = FitToTime.Of(open.Plan, open.Shelf, open.FirstOpen, lost: 10 * 60);
        Assert.Null(await EditAsync(_ => Result.Ok(fitted)));
        var after = await OpenAsync();
        Assert.True(PlanReport.Of(after.Plan, after.Shelf).Slack >= 10 * 60);
        Assert.Equal((open.Plan.Blocks[0].Key, 240), (after.Plan.Blocks[0].Key, after.Plan.Blocks[0].Seconds));
    }

    private Task BeginAsync() =>
        _home.WithAsync<PracticeStart, bool>(async start =>
        {
            Assert.True((await start.BeginAsync(_practice)).IsOk);
            return true;
        });

    private async Task StartAsync(int drill)
    {
        var runs = await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(store => store.OfAsync(_practice));
        foreach (var sheet in runs[drill].Sheets)
        {
            await AppendAsync(sheet.Row.Id, new RunEvent.Start(new EventId(new DeviceId("a"), 1), Instant.Origin));
        }
    }

    private Task<Appended> AppendAsync(string sheet, RunEvent runEvent) =>
        _home.WithAsync<EventJournal, Appended>(journal => journal.AppendAsync(new SheetId(sheet), [runEvent]));

    private async Task<OpenPlan> OpenAsync() => (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(_practice)))!;

    private Task<Fault?> EditAsync(Func<OpenPlan, Result<Plan>> edit) =>
        _home.WithAsync<PlanBook, Fault?>(async plans => (await plans.EditAsync(_practice, edit)).FirstFault);
}
