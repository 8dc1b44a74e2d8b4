using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Pages;

/// <summary>Results and the next sheet say what was, and nothing else.</summary>
public sealed class WhatWasTests : IAsyncLifetime
{
    private readonly Installation _home = new();
    private int _practice;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        await _home.BegunAsync();
        _practice = await _home.PracticeAsync();
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private static EventId Id(int n) => new(new DeviceId("coach"), n);

    private Task AppendAsync(string sheet, params RunEvent[] events) =>
        _home.WithAsync<EventJournal, Appended>(journal => journal.AppendAsync(new SheetId(sheet), events));

    /// <summary>Every sheet of the first drill is run for a minute, with two stops; nothing else is reached.</summary>
    private async Task RunFirstAsync()
    {
        var first = await _home.WithAsync<TallyDb, List<string>>(db =>
            db.Sheets.Where(sheet => sheet.Run!.Block!.Order == 0).Select(sheet => sheet.Id).ToListAsync()
        );
        foreach (var sheet in first)
        {
            await AppendAsync(
                sheet,
                new RunEvent.Start(Id(1), Instant.Origin),
                new RunEvent.Freeze(Id(2), new Instant(10_000), "spacing"),
                new RunEvent.Resume(Id(3), new Instant(30_000)),
                new RunEvent.Freeze(Id(4), new Instant(40_000), "first touch"),
                new RunEvent.Resume(Id(5), new Instant(45_000)),
                new RunEvent.End(Id(6), new Instant(60_000))
            );
        }
    }

    [Fact]
    public async Task Teaching_stops_stand_in_the_results_once_however_many_sheets_heard_them()
    {
        await RunFirstAsync();

        var page = await _home.Visit().OpenAsync($"/results/{_practice}");
        using var csv = await _home.Visit().Http.GetAsync(new Uri($"/results/{_practice}?handler=Csv", UriKind.Relative));
        var lines = (await csv.Content.ReadAsStringAsync()).Split("\r\n");

        Assert.Equal(
            [
                "Teaching stops in all: spacing once, 0:20; first touch once, 0:05. Together 0:25.",
                "Teaching stops: spacing once, 0:20; first touch once, 0:05.",
            ],
            page.QuerySelectorAll(".stops").Select(each => each.TextContent.Trim())
        );
        Assert.Contains(",Played,Teaching stops,Seconds stopped,Game,Games won,Habits,", lines[0], StringComparison.Ordinal);
        Assert.Contains(",yes,\"spacing once, 0:20; first touch once, 0:05\",25,,,,", lines[1], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Jobs_are_told_by_the_work_in_them_and_only_of_what_was_run()
    {
        await RunFirstAsync();

        var page = await _home.Visit().OpenAsync($"/results/{_practice}");
        var jobs = page.QuerySelectorAll(".goes li").Select(line => line.TextContent.Trim()).ToArray();

        // A minute less 25 seconds of stops and 5 of counting in.
        Assert.Equal("A, Ada Fenwick: shooter 0:30", jobs[0]);
        Assert.Equal(12, jobs.Length);
    }

    [Fact]
    public async Task What_was_not_reached_has_no_rank_in_the_page_or_the_csv()
    {
        await RunFirstAsync();
        // Until then it may be reached yet.
        _home.Clock.Advance(TimeSpan.FromDays(1));

        var page = await _home.Visit().OpenAsync($"/results/{_practice}");
        using var csv = await _home.Visit().Http.GetAsync(new Uri($"/results/{_practice}?handler=Csv", UriKind.Relative));
        var notReached = (await csv.Content.ReadAsStringAsync())
            .Split("\r\n", StringSplitOptions.RemoveEmptyEntries)
            .Where(line => line.Contains(",no,no,", StringComparison.Ordinal))
            .ToArray();

        Assert.Equal(
            2,
            page.QuerySelectorAll("section .quiet")
                .Count(each => each.TextContent.StartsWith("This drill was not started", StringComparison.Ordinal))
        );
        Assert.NotEmpty(notReached);
        Assert.All(notReached, line => Assert.DoesNotContain(",1,0,0,0,", line, StringComparison.Ordinal));
    }

    [Fact]
    public async Task What_was_not_reached_is_offered_for_the_next_sheet_and_goes_in_with_one_press()
    {
        await RunFirstAsync();
        var team = await _home.WithAsync<TallyDb, int>(db => db.Practices.Select(practice => practice.TeamId).FirstAsync());
        var next = await _home.WithAsync<BlockWriter, int?>(blocks => blocks.BeginAsync(team));
        var visitor = _home.Visit();
        // The rest of a practice that is still on may come yet.
        Assert.Empty((await visitor.OpenAsync($"/?practice={next}")).QuerySelectorAll(".unreached li"));
        _home.Clock.Advance(TimeSpan.FromDays(1));

        var today = await visitor.OpenAsync($"/?practice={next}");
        var offered = today.QuerySelectorAll(".unreached li span").Select(each => each.TextContent.Trim()).ToArray();
        Assert.Equal(2, offered.Length);

        using var put = await visitor.PostAsync(today, ".unreached form", "/?handler=PutIn");
        Assert.Equal(System.Net.HttpStatusCode.Redirect, put.StatusCode);

        var after = await _home.Visit().OpenAsync($"/?practice={next}");
        Assert.StartsWith(
            offered[0].Split(',')[0],
            after.QuerySelector(".sheet-lines .what")!.TextContent.Trim(),
            StringComparison.Ordinal
        );
        Assert.Equal([offered[1]], after.QuerySelectorAll(".unreached li span").Select(each => each.TextContent.Trim()));
    }

    [Fact]
    public async Task A_team_keeps_its_own_reasons_and_they_stand_on_the_run_screen()
    {
        var visitor = _home.Visit();
        var squad = await visitor.OpenAsync("/squad");
        using var kept = await visitor.SendAsync(squad, "#reasons-form", ("reasons", "first touch\nspacing"));
        Assert.Equal(System.Net.HttpStatusCode.Redirect, kept.StatusCode);

        var run = await _home.Visit().OpenAsync($"/run/{_practice}");
        Assert.Equal(["first touch", "spacing"], run.QuerySelectorAll("[data-freeze]").Select(chip => chip.TextContent.Trim()));

        using var refused = await visitor.SendAsync(await visitor.OpenAsync("/squad"), "#reasons-form", ("reasons", " "));
        Assert.Contains(
            "Write one to 12",
            (await Visitor.ParsedAsync(refused)).QuerySelector("#reasons-fault")!.TextContent,
            StringComparison.OrdinalIgnoreCase
        );
    }

    [Fact]
    public async Task Games_stand_in_the_results_a_line_each_with_the_totals_beside()
    {
        var match = await _home.WithAsync<TallyDb, string>(db =>
            db.Sheets.Where(sheet => sheet.Run!.Block!.Order == 2)
                .OrderBy(sheet => sheet.Order)
                .Select(sheet => sheet.Id)
                .FirstAsync()
        );
        var (n, now) = (1, 10_000L);
        var said = new List<RunEvent> { new RunEvent.Start(Id(n++), Instant.Origin) };
        foreach (var winner in new[] { "plain", "plain", "striped" })
        {
            for (var goal = 0; goal < 10; goal++)
            {
                said.Add(new RunEvent.Tap(Id(n++), new Instant(now += 1000), new PlayerId(winner), "goal", null, null, null));
            }

            said.Add(new RunEvent.Again(Id(n++), new Instant(now += 1000), false, false));
            now += 6000;
        }

        said.Add(new RunEvent.Habit(Id(n++), new Instant(now += 1000), "Loose ball", null));
        said.Add(new RunEvent.End(Id(n), new Instant(now + 1000)));
        await AppendAsync(match, [.. said]);

        var page = await _home.Visit().OpenAsync($"/results/{_practice}");
        var games = page.QuerySelectorAll(".games-played li").Select(line => line.TextContent.Trim()).ToArray();

        Assert.Equal(3, games.Length);
        Assert.EndsWith("Plain won", games[0], StringComparison.Ordinal);
        Assert.EndsWith("Striped won", games[2], StringComparison.Ordinal);
        Assert.Equal("Loose ball 1: the team 1", page.QuerySelector(".seen li")!.TextContent.Trim());
    }

    [Fact]
    public async Task A_team_keeps_what_it_counts_all_practice_long_or_nothing()
    {
        var visitor = _home.Visit();
        using var kept = await visitor.SendAsync(
            await visitor.OpenAsync("/squad"),
            "#habits-form",
            ("habits", "Talks\nFirst back")
        );
        Assert.Equal(System.Net.HttpStatusCode.Redirect, kept.StatusCode);
        var run = await _home.Visit().OpenAsync($"/run/{_practice}");
        Assert.Equal(["Talks", "First back"], run.QuerySelectorAll("[data-see]").Select(chip => chip.GetAttribute("data-see")));

        using var none = await visitor.SendAsync(await visitor.OpenAsync("/squad"), "#habits-form", ("habits", ""));
        Assert.Empty((await _home.Visit().OpenAsync($"/run/{_practice}")).QuerySelectorAll("#habits"));
    }

    [Fact]
    public async Task What_a_player_may_not_do_today_is_not_on_the_players_board()
    {
        var run = await _home.Visit().OpenAsync($"/run/{_practice}");
        var board = await _home.Visit().OpenAsync($"/board/{_practice}");

        Assert.Contains("\"limits\"", run.GetElementById("practice")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("\"limits\":{}", board.GetElementById("practice")!.TextContent, StringComparison.Ordinal);
    }
}
