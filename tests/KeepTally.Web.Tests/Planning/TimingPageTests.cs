using System.Net;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Demo;
using KeepTally.Store.Planning;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Planning;

/// <summary>The pages on which practices are planned.</summary>
public sealed class TimingPageTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task A_practice_is_made_every_Tuesday_and_Thursday_until_a_day_with_its_short_drill_first()
    {
        var coach = _home.Visit();
        await coach.PostAsync("/plan?handler=Daily", "/plan", ("team", "1"), ("card", "habit-pairs"), ("minutes", "4"));
        var made = await coach.PostAsync(
            "/plan?handler=New",
            "/plan",
            ("Team", "1"),
            ("Title", "Evenings"),
            ("Date", "2026-09-08"),
            ("Start", "18:00"),
            ("Minutes", "60"),
            ("From", "ready:handball-passing"),
            ("On", "Tuesday"),
            ("On", "Thursday"),
            ("Until", "2026-09-24")
        );

        Assert.Equal(HttpStatusCode.Redirect, made.StatusCode);
        var days = await _home.WithAsync<TallyDb, List<Practice>>(db =>
            db.Practices.Where(each => each.Title == "Evenings").OrderBy(each => each.Date).ToListAsync()
        );
        Assert.Equal([8, 10, 15, 17, 22, 24], days.Select(each => each.Date.Day));
        Assert.Single(days.Select(each => each.Series).Distinct());
        foreach (var day in days)
        {
            var open = (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(day.Id)))!;
            Assert.Equal("habit-pairs", open.Plan.Blocks[0].Cards[0]);
        }

        // The practice of today, whose sheet was written before, has it too.
        var today = (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(1)))!;
        Assert.Equal("habit-pairs", today.Plan.Blocks[0].Cards[0]);
    }

    [Fact]
    public async Task A_warning_is_fixed_with_one_press()
    {
        var coach = _home.Visit();
        await coach.PostAsync("/plan/equipment", "/plan/equipment", ("item", "ball"), ("count", "9"));
        await coach.PostAsync("/plan/equipment", "/plan/equipment", ("item", "cone"), ("count", "40"));
        await coach.PostAsync("/plan/equipment", "/plan/equipment", ("item", "bib"), ("count", "14"));
        var page = await coach.ReadAsync("/plan/1");
        Assert.Contains("Three gates needs twelve balls; there are nine.", page.Body!.TextContent, StringComparison.Ordinal);

        var fix = page.QuerySelectorAll(".look button").First(each => each.TextContent.Trim() == "Borrow three balls");
        var answer = await coach.PostAsync(fix.GetAttribute("formaction")!, "/plan/1");
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);

        Assert.DoesNotContain("needs twelve balls", (await coach.ReadAsync("/plan/1")).Body!.TextContent, StringComparison.Ordinal);
        // Pressed again by a player who has not looked: nothing is done, and it is said.
        answer = await coach.PostAsync(fix.GetAttribute("formaction")!, "/plan/1");
        Assert.Contains("has changed meanwhile", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_coaches_on_one_sheet_never_undo_each_other_and_are_asked_where_both_changed_a_field()
    {
        var (one, other) = (_home.Visit(), _home.Visit());
        var (stale, second) = (await one.OpenAsync("/plan/1"), await other.OpenAsync("/plan/1"));
        var line = stale.QuerySelector("form[id^=line-form-]")!.Id!;
        var block = int.Parse(line["line-form-".Length..], null);

        using var minutes = await other.SendAsync(second, $"#{line}", ("Minutes", "9"));
        Assert.Equal(HttpStatusCode.Redirect, minutes.StatusCode);
        // The page of the first still shows the minutes of before: it changes who takes it, and nothing else.
        using var takes = await one.SendAsync(stale, $"#{line}", ("Takes", "Robin Teal"));
        Assert.Equal(HttpStatusCode.Redirect, takes.StatusCode);
        var merged = await _home.WithAsync<TallyDb, Block>(db => db.Blocks.SingleAsync(each => each.Id == block));
        Assert.Equal((9.0, "Robin Teal"), (merged.Minutes, merged.Takes));

        using var both = await one.SendAsync(stale, $"#{line}", ("Minutes", "7"));
        var told = await both.Content.ReadAsStringAsync();
        Assert.Contains(
            "Minutes: another coach has set it to “9” meanwhile; you wrote “7”",
            WebUtility.HtmlDecode(told),
            StringComparison.Ordinal
        );
        Assert.Equal(9, (await _home.WithAsync<TallyDb, Block>(db => db.Blocks.SingleAsync(each => each.Id == block))).Minutes);

        using var title = await other.SendAsync(second, "form.head-form", ("Title", "Evening two"));
        Assert.Equal(HttpStatusCode.Redirect, title.StatusCode);
        using var place = await one.SendAsync(stale, "form.head-form", ("Place", "North hall"));
        Assert.Equal(HttpStatusCode.Redirect, place.StatusCode);
        var practice = await _home.WithAsync<TallyDb, Practice>(db => db.Practices.SingleAsync(each => each.Id == 1));
        Assert.Equal(("Evening two", "North hall"), (practice.Title, practice.Place));
    }

    [Fact]
    public async Task A_sheet_that_is_offered_is_taken_as_it_stands_there()
    {
        var coach = _home.Visit();
        var page = await coach.ReadAsync("/plan/1/offers?sport=handball&skill=shooting&seed=2");
        var offers = page.QuerySelectorAll(".offer");
        Assert.Equal(3, offers.Length);
        var shown = offers[1]
            .QuerySelectorAll("ol > li > span:nth-child(2)")
            .Select(each => each.FirstChild!.TextContent.Trim())
            .ToArray();

        await coach.PostAsync(
            "/plan/1/offers",
            "/plan/1/offers",
            ("which", "1"),
            ("sport", "handball"),
            ("skill", "shooting"),
            ("seed", "2")
        );

        var open = (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(1)))!;
        Assert.Equal(shown, open.Plan.Blocks.Select(open.Shelf.NameOf));
    }

    [Theory]
    [InlineData("Head", "Title", "", "Enter a title.")]
    [InlineData("Head", "Minutes", "2", "A practice lasts from 5 to 600 minutes.")]
    [InlineData("Line&key=1", "Minutes", "0", "A line lasts from half a minute to 240 minutes.")]
    [InlineData("Line&key=1", "Groups", "0", "Write how many groups, from 1 to 40.")]
    [InlineData("Template", "name", " ", "Say what it is to be called.")]
    [InlineData("Add", "card", "four-gates", "There is no drill &quot;four-gates&quot; in the book.")]
    public async Task What_cannot_be_taken_is_told_and_nothing_is_changed(string handler, string field, string value, string told)
    {
        var coach = _home.Visit();
        var before = await (await coach.GetAsync("/plan/1?handler=Json")).Content.ReadAsStringAsync();
        var good = new Dictionary<string, string>
        {
            ["Title"] = "Other",
            ["Date"] = "2026-09-03",
            ["Start"] = "17:30",
            ["Minutes"] = "31",
            ["Groups"] = "3",
            ["Change"] = "10",
            [field] = value,
        };
        var answer = await coach.PostAsync(
            $"/plan/1?handler={handler}",
            "/plan/1",
            [.. good.Select(each => (each.Key, each.Value))]
        );

        Assert.Contains(told, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(before, await (await coach.GetAsync("/plan/1?handler=Json")).Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task A_row_of_practices_without_a_day_in_it_is_told()
    {
        var coach = _home.Visit();
        var answer = await coach.PostAsync(
            "/plan?handler=New",
            "/plan",
            ("Team", "1"),
            ("Date", "2026-09-08"),
            ("Start", "18:00"),
            ("Minutes", "60"),
            ("On", "Monday"),
            ("Until", "2026-09-10")
        );
        Assert.Contains(
            "No such day lies before the last one.",
            await answer.Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.Equal(1, await _home.WithAsync<TallyDb, int>(db => db.Practices.CountAsync()));
    }

    [Fact]
    public async Task A_past_practice_stands_as_it_was_and_its_sheet_can_be_used_again()
    {
        await _home.BegunAsync();
        _home.Clock.Advance(TimeSpan.FromDays(3));
        var coach = _home.Visit();
        var page = await coach.ReadAsync("/plan/1");
        Assert.Contains("This is what was planned", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Empty(page.QuerySelectorAll("#timing button:not([disabled])"));

        var answer = await coach.PostAsync("/plan/1?handler=Act&key=2&act=Longer", "/plan/1");
        Assert.Contains("That practice is over", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(6.5, (await MinutesAsync())[1]);
        Assert.Equal(
            "practice:1",
            (await coach.ReadAsync("/plan?from=1")).QuerySelector("#new-from option[selected]")!.GetAttribute("value")
        );
    }

    [Fact]
    public async Task A_page_that_stands_open_is_told_what_another_coach_changed()
    {
        var (one, other) = (_home.Visit(), _home.VisitAs("Sam Wren"));
        await _home.BegunAsync();
        var open = await one.OpenAsync("/plan/1");
        var news = open.QuerySelector("[hx-trigger^=every]")!.GetAttribute("hx-get")!;
        using (var quiet = await one.GetAsync(news))
        {
            Assert.Equal(HttpStatusCode.NoContent, quiet.StatusCode);
        }

        await other.PostAsync("/plan/1?handler=Act&key=2&act=Longer", "/plan/1");
        await other.PostAsync("/plan/1?handler=Act&key=3&act=Off", "/plan/1");
        var told = (await one.ReadAsync(news)).QuerySelectorAll("p").Select(line => line.TextContent).ToArray();
        Assert.Equal(2, told.Length);
        Assert.Equal("Sam Wren: Three gates now 7 min (was 6.5).", told[0]);
        Assert.StartsWith("Sam Wren: Removed ", told[1], StringComparison.Ordinal);

        // Anyone who made the change has the plan as it is.
        using var own = await other.GetAsync(
            (await other.OpenAsync("/plan/1")).QuerySelector("[hx-trigger^=every]")!.GetAttribute("hx-get")!
        );
        Assert.Equal(HttpStatusCode.NoContent, own.StatusCode);
    }

    [Fact]
    public async Task What_another_team_has_done_lately_is_not_done_by_this_one()
    {
        await _home.WithAsync<DemoPast, bool>(async past =>
        {
            await past.SeedAsync(TestContext.Current.CancellationToken);
            return true;
        });
        var (first, other) = (
            await _home.WithAsync<DrillBook, IReadOnlyList<BookEntry>>(book => book.ForTeamAsync(1)),
            await _home.WithAsync<DrillBook, IReadOnlyList<BookEntry>>(book => book.ForTeamAsync(2))
        );
        Assert.Equal(new DateOnly(2026, 8, 27), first.Max(entry => entry.LastDone));
        Assert.All(other, entry => Assert.Null(entry.LastDone));
    }

    [Fact]
    public async Task A_sheet_goes_out_and_comes_back_the_same_and_a_broken_one_is_told()
    {
        var coach = _home.Visit();
        var text = await (await coach.GetAsync("/plan/1?handler=Json")).Content.ReadAsStringAsync();
        Assert.True(PlanReader.Read(text).IsOk);

        await coach.PostFileAsync("/plan?handler=Bring", "/plan", "sheet.json", text, ("team", "1"));
        var id = await _home.WithAsync<TallyDb, int>(db => db.Practices.MaxAsync(each => each.Id));
        Assert.NotEqual(1, id);
        // Who is here is said of each practice anew: two of the fourteen are not today.
        Assert.Equal(
            text.Replace("\"players\": 12", "\"players\": 14", StringComparison.Ordinal),
            await (await coach.GetAsync($"/plan/{id}?handler=Json")).Content.ReadAsStringAsync()
        );

        var broken = text.Replace("\"minutes\": 6.5", "\"minutes\": -6.5", StringComparison.Ordinal);
        var answer = await coach.PostFileAsync("/plan?handler=Bring", "/plan", "sheet.json", broken, ("team", "1"));
        Assert.Contains("blocks[1].minutes", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var unknown = text.Replace("\"three-gates\"", "\"four-gates\"", StringComparison.Ordinal);
        answer = await coach.PostFileAsync("/plan?handler=Bring", "/plan", "sheet.json", unknown, ("team", "1"));
        Assert.Contains(
            "no drill &quot;four-gates&quot; in the book",
            await answer.Content.ReadAsStringAsync(),
            StringComparison.OrdinalIgnoreCase
        );
        // Nothing of it was kept.
        Assert.Equal(id, await _home.WithAsync<TallyDb, int>(db => db.Practices.MaxAsync(each => each.Id)));
    }

    [Fact]
    public async Task A_line_is_removed_at_once_and_undo_puts_it_back_where_it_stood()
    {
        var coach = _home.Visit();
        var before = (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(1)))!.Plan.Blocks;
        var page = await coach.OpenAsync("/plan/1");
        var key = page.QuerySelectorAll("li.line")[1].Id!["line-".Length..];
        coach.Http.DefaultRequestHeaders.Add("HX-Request", "true");
        var answer = await coach.PostAsync($"/plan/1?handler=Act&key={key}&act=Off", "/plan/1");
        coach.Http.DefaultRequestHeaders.Remove("HX-Request");
        var shown = await answer.Content.ReadAsStringAsync();
        var note = new AngleSharp.Html.Parser.HtmlParser().ParseDocument(shown).QuerySelector(".undo-note")!;
        Assert.StartsWith(
            $"Removed {before[1].Cards[0].Replace('-', ' ')}",
            note.TextContent.Trim(),
            StringComparison.OrdinalIgnoreCase
        );
        Assert.Equal(
            before.Count - 1,
            (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(1)))!.Plan.Blocks.Count
        );

        await coach.PostAsync(
            "/plan/1?handler=PutBack",
            "/plan/1",
            ("index", note.QuerySelector("[name=index]")!.GetAttribute("value")!),
            ("block", note.QuerySelector("[name=block]")!.GetAttribute("value")!)
        );
        var after = (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(1)))!.Plan.Blocks;
        Assert.Equal(before.Select(block => block.Cards[0]), after.Select(block => block.Cards[0]));
        Assert.Equal(before.Select(block => block.Seconds), after.Select(block => block.Seconds));
    }

    [Fact]
    public async Task A_template_holds_no_name_and_makes_another_practice()
    {
        var coach = _home.Visit();
        await coach.PostAsync(
            "/plan/1?handler=Line&key=1",
            "/plan/1",
            ("Minutes", "4"),
            ("Groups", "4"),
            ("Change", "120"),
            ("Takes", "Robin Teal; Sam Wren")
        );
        await coach.PostAsync("/plan/1?handler=Template", "/plan/1", ("name", "Gates and trios"));
        var kept = await _home.WithAsync<TallyDb, SheetTemplate>(db => db.Templates.SingleAsync());
        Assert.DoesNotContain("Robin", kept.Json, StringComparison.Ordinal);

        await coach.PostAsync(
            "/plan?handler=New",
            "/plan",
            ("Team", "1"),
            ("Date", "2026-09-12"),
            ("Start", "10:00"),
            ("Minutes", "45"),
            ("From", $"template:{kept.Id}")
        );
        var made = await _home.WithAsync<TallyDb, Practice>(db =>
            db.Practices.Include(each => each.Blocks).SingleAsync(each => each.Date == new DateOnly(2026, 9, 12))
        );
        Assert.Equal(("Gates and trios", 3), (made.Title, made.Blocks.Count));
    }

    [Fact]
    public async Task An_assistant_reads_a_sheet_and_changes_it_only_while_it_runs()
    {
        var assistant = _home.VisitAs("Sam Wren");
        Assert.Empty((await assistant.ReadAsync("/plan/1")).QuerySelectorAll("#timing button:not([disabled])"));
        var refused = await assistant.PostAsync("/plan/1?handler=Act&key=2&act=Longer", "/");
        Assert.NotEqual(7, (await MinutesAsync())[1]);
        Assert.True(refused.StatusCode is HttpStatusCode.Forbidden or HttpStatusCode.Redirect);

        await _home.BegunAsync();
        await assistant.PostAsync("/plan/1?handler=Act&key=2&act=Longer", "/plan/1");
        Assert.Equal(7, (await MinutesAsync())[1]);
    }

    [Fact]
    public async Task The_calendar_and_the_page_for_a_clipboard_hold_every_line()
    {
        var coach = _home.Visit();
        var calendar = await (await coach.GetAsync("/plan/calendar?handler=File")).Content.ReadAsStringAsync();
        Assert.Contains(
            "17:32 Minute trios\\, 4 min",
            calendar.Replace("\r\n ", "", StringComparison.Ordinal),
            StringComparison.Ordinal
        );
        var print = (await coach.ReadAsync("/plan/1/print")).QuerySelectorAll("tbody th").Select(each => each.TextContent);
        Assert.Equal(3, print.Count());
    }

    private async Task<double[]> MinutesAsync() =>
        [.. (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(1)))!.Plan.Blocks.Select(PlanEdits.MinutesOf)];
}
