using System.Net;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Pages;

public sealed class PageTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task Today_shows_the_timing_sheet_with_clock_times_and_who_is_here()
    {
        var page = await _home.Visit().OpenAsync("/");

        Assert.Equal("Shooting under pressure", page.QuerySelector("h1")!.TextContent);
        Assert.Equal(["17:32", "17:37", "17:45"], page.QuerySelectorAll(".sheet-lines .figure").Select(time => time.TextContent));
        Assert.Equal(14, page.QuerySelectorAll(".here").Length);
        Assert.Contains("4 groups of 3", page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/drills/three-gates/fit?percent=55", "/drills/three-gates/simulation?percent=55")]
    [InlineData("/results/3/judged/7?station=1", "/results/3/rescore/7?station=1")]
    public async Task A_link_to_a_page_by_its_old_address_leads_to_it(string old, string now)
    {
        using var answer = await _home.Visit().Http.GetAsync(new Uri(old, UriKind.Relative));

        Assert.Equal(HttpStatusCode.MovedPermanently, answer.StatusCode);
        Assert.EndsWith(now, answer.Headers.Location!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Taps_on_a_name_go_through_late_and_absent_and_back_to_here()
    {
        var visitor = _home.Visit();
        var page = await visitor.OpenAsync("/");
        var ada = page.QuerySelectorAll(".here").Single(button => button.TextContent.Contains("Ada", StringComparison.Ordinal));

        using var marked = await visitor.SendAsync(page, ".here-list", ada.GetAttribute("formaction"));
        Assert.Equal(HttpStatusCode.Redirect, marked.StatusCode);
        page = await visitor.OpenAsync("/");
        ada = page.QuerySelectorAll(".here").Single(button => button.TextContent.Contains("Ada", StringComparison.Ordinal));
        Assert.Equal("late", ada.GetAttribute("data-presence"));
        Assert.Contains("3 of 3 and 1 of 2", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("late: Ada", page.QuerySelector("#here-head")!.TextContent, StringComparison.Ordinal);

        foreach (var next in new[] { "absent", "here" })
        {
            using var again = await visitor.SendAsync(page, ".here-list", ada.GetAttribute("formaction"));
            page = await visitor.OpenAsync("/");
            ada = page.QuerySelectorAll(".here").Single(button => button.TextContent.Contains("Ada", StringComparison.Ordinal));
            Assert.Equal(next, ada.GetAttribute("data-presence"));
        }

        Assert.Equal(2, page.QuerySelectorAll(".here.is-absent").Length);
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/squad?edit=1")]
    [InlineData("/squad/import")]
    [InlineData("/groups/1")]
    [InlineData("/circuit/new")]
    [InlineData("/drills/minute-trios")]
    [InlineData("/drills/edit/minute-trios")]
    [InlineData("/drills/import")]
    public async Task Whatever_a_page_sends_carries_what_proves_it_is_the_pages(string path)
    {
        var forms = (await _home.Visit().OpenAsync(path)).QuerySelectorAll("form[method=post]");

        Assert.NotEmpty(forms);
        Assert.All(forms, form => Assert.NotNull(form.QuerySelector("input[name=__RequestVerificationToken]")));
    }

    [Fact]
    public async Task With_nobody_here_the_coach_is_told_instead_of_starting()
    {
        await _home.WithAsync<TallyDb, int>(async db =>
        {
            db.Attendance.RemoveRange(db.Attendance);
            var practice = await db.Practices.SingleAsync();
            db.Attendance.AddRange(
                await db
                    .Players.Select(player => new KeepTally.Store.Tables.Attendance
                    {
                        PracticeId = practice.Id,
                        PlayerId = player.Id,
                        Presence = KeepTally.Store.Tables.Presence.Absent,
                    })
                    .ToListAsync()
            );
            return await db.SaveChangesAsync();
        });
        var visitor = _home.Visit();

        using var response = await visitor.SendAsync(await visitor.OpenAsync("/"), ".start");

        Assert.Contains(
            "Nobody is here",
            (await Visitor.ParsedAsync(response)).QuerySelector("[role=alert]")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Start_leads_to_a_run_screen_with_a_pad_for_each_drill()
    {
        var visitor = _home.Visit();

        using var started = await visitor.SendAsync(await visitor.OpenAsync("/"), ".start");
        var page = await visitor.OpenAsync(started.Headers.Location!.ToString());

        Assert.Equal(3, page.QuerySelectorAll("[data-drill]").Length);
        Assert.Equal(4 * 3, page.QuerySelectorAll("[data-drill='0'] .pad").Length);
        Assert.Equal(12 * 2, page.QuerySelectorAll("[data-drill='1'] .pad").Length);
        Assert.Equal(2 * 4, page.QuerySelectorAll("[data-drill='2'] .pad").Length);
        Assert.Contains("Continue practice", (await visitor.OpenAsync("/")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("", "", "Write a name.")]
    [InlineData("Zoe Fern", "-3", "A number is from 0 to 999.")]
    [InlineData("Zoe Fern", "nine", "not valid")]
    public async Task A_player_written_down_wrong_is_told_beside_the_field_and_nothing_typed_is_lost(
        string name,
        string number,
        string said
    )
    {
        var visitor = _home.Visit();

        using var response = await visitor.SendAsync(
            await visitor.OpenAsync("/squad"),
            ".squad-form form",
            "/squad",
            ("Form.Name", name),
            ("Form.Number", number),
            ("Form.Positions", "pivot")
        );
        var page = await Visitor.ParsedAsync(response);

        Assert.Contains(page.QuerySelectorAll(".wrong"), wrong => wrong.TextContent.Contains(said, StringComparison.Ordinal));
        Assert.Equal("pivot", page.QuerySelector("#Form_Positions")!.GetAttribute("value"));
        Assert.Equal(14, await _home.WithAsync<TallyDb, int>(db => db.Players.CountAsync(player => player.TeamId == 1)));
    }

    [Fact]
    public async Task A_player_is_added_and_changed()
    {
        var visitor = _home.Visit();
        using var added = await visitor.SendAsync(
            await visitor.OpenAsync("/squad"),
            ".squad-form form",
            "/squad",
            ("Form.Name", " Zoë Fern "),
            ("Form.Number", "21"),
            ("Form.Positions", "pivot, left back")
        );
        Assert.Equal(HttpStatusCode.Redirect, added.StatusCode);
        var id = await _home.WithAsync<TallyDb, int>(db =>
            db.Players.Where(player => player.Name == "Zoë Fern" && player.Positions == "pivot;left back")
                .Select(player => player.Id)
                .SingleAsync()
        );

        using var changed = await visitor.SendAsync(
            await visitor.OpenAsync($"/squad?edit={id}"),
            ".squad-form form",
            $"/squad?edit={id}",
            ("Form.Name", "Zoë Marsh")
        );

        Assert.Contains("Zoë Marsh", (await visitor.OpenAsync("/squad")).Body!.TextContent, StringComparison.Ordinal);
        using var nobody = await visitor.Http.GetAsync(new Uri("/squad?edit=999", UriKind.Relative));
        Assert.Equal(HttpStatusCode.NotFound, nobody.StatusCode);
    }

    [Fact]
    public async Task While_practice_is_on_its_results_say_so_and_what_was_not_begun_may_be_yet()
    {
        var sheets = await _home.BegunAsync();
        var practice = await _home.PracticeAsync();
        await SayAsync(sheets[8], Tap("striped", "goal"), Tap("striped", "stop"), Tap("plain", "rebound"));

        var today = await TextsAsync();
        _home.Clock.Advance(TimeSpan.FromDays(1));
        var tomorrow = await TextsAsync();

        Assert.All(today, text => Assert.Contains("still on", text, StringComparison.Ordinal));
        Assert.All(today, text => Assert.Contains("Not started yet.", text, StringComparison.Ordinal));
        Assert.All(today, text => Assert.DoesNotContain("Not reached", text, StringComparison.Ordinal));
        Assert.Contains("Striped ahead so far", today[0], StringComparison.Ordinal);
        Assert.All(tomorrow, text => Assert.DoesNotContain("still on", text, StringComparison.Ordinal));
        Assert.All(tomorrow, text => Assert.Contains("Not reached.", text, StringComparison.Ordinal));
        Assert.DoesNotContain("so far", tomorrow[0], StringComparison.Ordinal);

        async Task<string[]> TextsAsync() =>
            [
                (await _home.Visit().OpenAsync($"/results/{practice}")).Body!.TextContent,
                (await _home.Visit().OpenAsync($"/results/{practice}/report")).Body!.TextContent,
            ];
    }

    [Fact]
    public async Task Results_rank_by_the_cards_measure_and_come_as_csv()
    {
        var sheets = await _home.BegunAsync();
        var practice = await _home.PracticeAsync();
        await SayAsync(sheets[8], Tap("striped", "goal"), Tap("striped", "stop"), Tap("plain", "rebound"));
        var visitor = _home.Visit();

        var page = await visitor.OpenAsync($"/results/{practice}");
        var csv = await visitor.Http.GetStringAsync(new Uri($"/results/{practice}?handler=Csv", UriKind.Relative));

        Assert.Equal(
            ["Striped", "Plain"],
            page.QuerySelectorAll(".result-table tbody th").Select(name => name.ChildNodes[0].TextContent.Trim())
        );
        Assert.Equal(2, page.QuerySelectorAll("p.quiet").Length);
        var lines = csv.Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
        var played = lines[1..].Where(line => line.Contains("Win it, score it", StringComparison.Ordinal)).ToArray();
        Assert.StartsWith(
            "2026-09-03,\"Win it, score it\",Two sides,,striped,,Striped,Bea Marlowe;",
            played[0],
            StringComparison.Ordinal
        );
        Assert.Equal(2, played.Length);
        Assert.All(lines[1..].Except(played), line => Assert.Contains(",no,no,", line, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("/nowhere")]
    [InlineData("/run/999")]
    [InlineData("/results/999")]
    public async Task What_is_not_there_says_so(string path)
    {
        using var response = await _home.Visit().Http.GetAsync(new Uri(path, UriKind.Relative));

        Assert.Equal(HttpStatusCode.NotFound, response.StatusCode);
        Assert.Equal("Not here", (await Visitor.ParsedAsync(response)).QuerySelector("h1")!.TextContent);
    }

    [Fact]
    public async Task A_form_without_its_token_is_refused()
    {
        using var content = new FormUrlEncodedContent([new("practice", "1")]);
        using var response = await _home.Visit().Http.PostAsync(new Uri("/?handler=Start", UriKind.Relative), content);

        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
    }

    private int _said;

    private RunEvent Tap(string unit, string outcome) =>
        new RunEvent.Tap(
            new EventId(new DeviceId("t"), ++_said),
            new Instant(_said * 10_000),
            new PlayerId(unit),
            outcome,
            null,
            null,
            null
        );

    private Task<Appended> SayAsync(string sheet, params RunEvent[] events) =>
        _home.WithAsync<EventJournal, Appended>(journal =>
            journal.AppendAsync(
                new SheetId(sheet),
                [new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)), .. events]
            )
        );
}
