using System.Net;
using System.Net.Http.Headers;
using AngleSharp.Html.Dom;
using Ical.Net;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;
using KeepTally.Store.Planning;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Planning;

/// <summary>A team's calendar at its secret address, and practices imported from another calendar.</summary>
public sealed class CalendarPageTests : IAsyncLifetime
{
    private const string Two = """
        BEGIN:VCALENDAR
        BEGIN:VEVENT
        UID:a
        SUMMARY:Training
        LOCATION:Hall 2
        DTSTART:20260910T173000
        DTEND:20260910T184500
        END:VEVENT
        BEGIN:VEVENT
        UID:b
        SUMMARY:Camp
        DTSTART;VALUE=DATE:20260912
        END:VEVENT
        END:VCALENDAR
        """;

    private readonly Installation _home = new();

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        _home.Clock.SetLocalTimeZone(TimeZoneInfo.FindSystemTimeZoneById("Europe/Berlin"));
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task A_calendar_program_sees_practices_in_their_zone_and_takes_a_change_as_one()
    {
        var coach = _home.Visit();
        var address = await MakeAddressAsync(coach);
        var (text, tag) = await FetchAsync(address);
        var before = Assert.Single(Calendar.Load(text)!.Events);
        var practice = await _home.WithAsync<TallyDb, Practice>(db => db.Practices.AsNoTracking().SingleAsync());
        Assert.Equal("Europe/Berlin", before.DtStart!.TzId);
        Assert.Equal(practice.Date.ToDateTime(practice.Start), before.DtStart.Value);
        Assert.Equal(practice.Minutes, (before.DtEnd!.AsUtc - before.DtStart.AsUtc).TotalMinutes);
        Assert.Contains("Minute trios", before.Description, StringComparison.Ordinal);
        // RFC 5545: a zone that is named is defined (3.2.19), lines end with CRLF and have 75 octets at most (3.1).
        Assert.Contains("BEGIN:VTIMEZONE\r\nTZID:Europe/Berlin", text, StringComparison.Ordinal);
        Assert.All(text.TrimEnd().Split("\r\n"), line => Assert.True(System.Text.Encoding.UTF8.GetByteCount(line) <= 75, line));

        // Nothing has changed: nothing is sent again.
        using (var again = await AskAsync(address, tag))
        {
            Assert.Equal(HttpStatusCode.NotModified, again.StatusCode);
        }

        Assert.Null(
            await _home.WithAsync<PlanBook, Fault?>(async plans =>
                (
                    await plans.EditAsync(
                        1,
                        open => Result.Ok(open.Plan with { Start = new TimeOnly(19, 0), Date = practice.Date.AddDays(1) })
                    )
                ).FirstFault
            )
        );
        var after = Assert.Single(Calendar.Load((await FetchAsync(address)).Text)!.Events);
        Assert.Equal(before.Uid, after.Uid);
        Assert.True(after.Sequence > before.Sequence);
        Assert.Equal(practice.Date.AddDays(1).ToDateTime(new TimeOnly(19, 0)), after.DtStart!.Value);
    }

    [Fact]
    public async Task A_new_address_ends_the_old_one_and_a_removed_one_leads_nowhere()
    {
        var coach = _home.Visit();
        var first = await MakeAddressAsync(coach);
        var second = await MakeAddressAsync(coach);
        Assert.NotEqual(first, second);
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync(first));
        Assert.Equal(HttpStatusCode.OK, await StatusAsync(second));
        using var removed = await coach.SendAsync(
            await coach.OpenAsync("/plan/calendar"),
            "form:has(button[formaction*=Unlink])",
            "/plan/calendar?handler=Unlink"
        );
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync(second));
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync("/calendar/.ics"));
    }

    [Fact]
    public async Task A_file_is_shown_first_then_taken_and_taken_again_changes_what_moved()
    {
        var coach = _home.Visit();
        var preview = await LookAsync(coach, Two);
        Assert.Contains("Camp: it lasts all day", preview.QuerySelector("#wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(1, await CountAsync());
        await TakeAsync(coach, preview);
        var made = await _home.WithAsync<TallyDb, Practice>(db => db.Practices.SingleAsync(each => each.CalendarUid == "a"));
        Assert.Equal(
            ("Training", new DateOnly(2026, 9, 10), new TimeOnly(17, 30), 75, "Hall 2"),
            (made.Title, made.Date, made.Start, made.Minutes, made.Place)
        );

        Assert.Empty((await LookAsync(coach, Two)).QuerySelectorAll("input[name=pick]:not([disabled])"));
        await TakeAsync(coach, await LookAsync(coach, Two.Replace("20260910T", "20260911T", StringComparison.Ordinal)));
        Assert.Equal(2, await CountAsync());
        Assert.Equal(new DateOnly(2026, 9, 11), await DateAsync());

        // One press brings back what the last import changed.
        using var undone = await coach.SendAsync(await coach.OpenAsync("/plan/calendar"), "form[action*=Undo]");
        Assert.Equal(new DateOnly(2026, 9, 10), await DateAsync());
    }

    [Fact]
    public async Task An_undo_removes_what_was_new_unless_it_was_planned_since()
    {
        var coach = _home.Visit();
        await TakeAsync(coach, await LookAsync(coach, Two));
        using (await coach.SendAsync(await coach.OpenAsync("/plan/calendar"), "form[action*=Undo]"))
        {
            Assert.Equal(1, await CountAsync());
        }

        await TakeAsync(coach, await LookAsync(coach, Two));
        var id = await _home.WithAsync<TallyDb, int>(db =>
            db.Practices.Where(each => each.CalendarUid == "a").Select(each => each.Id).SingleAsync()
        );
        await _home.WithAsync<PlanBook, Fault?>(async plans =>
            (await plans.EditAsync(id, open => Result.Ok(open.Plan with { Title = "Mine" }))).FirstFault
        );
        using (await coach.SendAsync(await coach.OpenAsync("/plan/calendar"), "form[action*=Undo]")) { }
        Assert.Equal(2, await CountAsync());
        Assert.Contains(
            "One practice had been changed since and stays as it is.",
            (await coach.OpenAsync("/plan/calendar")).QuerySelector("main")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task What_is_no_calendar_is_refused_by_name_and_nothing_is_made()
    {
        var coach = _home.Visit();
        var page = await LookAsync(coach, "Name,Number", HttpStatusCode.UnprocessableEntity);
        Assert.Contains(
            "no event of a calendar",
            page.QuerySelector("[role=alert]")!.TextContent,
            StringComparison.OrdinalIgnoreCase
        );
        Assert.Equal(1, await CountAsync());
    }

    private static async Task<string> MakeAddressAsync(Visitor coach)
    {
        using var made = await coach.SendAsync(
            await coach.OpenAsync("/plan/calendar"),
            "form:has(button[formaction*=Link])",
            "/plan/calendar?handler=Link"
        );
        Assert.Equal(HttpStatusCode.Redirect, made.StatusCode);
        var page = await coach.OpenAsync("/plan/calendar");
        return new Uri(page.QuerySelector("[data-address]")!.GetAttribute("data-address")!).PathAndQuery;
    }

    private async Task<HttpResponseMessage> AskAsync(string address, EntityTagHeaderValue? known = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, new Uri(address, UriKind.Relative));
        if (known is not null)
        {
            request.Headers.IfNoneMatch.Add(known);
        }

        return await _home.VisitAsNobody().Http.SendAsync(request);
    }

    private async Task<(string Text, EntityTagHeaderValue Tag)> FetchAsync(string address)
    {
        using var answer = await AskAsync(address);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Equal("text/calendar", answer.Content.Headers.ContentType!.MediaType);
        return (await answer.Content.ReadAsStringAsync(), answer.Headers.ETag!);
    }

    private async Task<HttpStatusCode> StatusAsync(string address)
    {
        using var answer = await AskAsync(address);
        return answer.StatusCode;
    }

    private static async Task<IHtmlDocument> LookAsync(Visitor coach, string text, HttpStatusCode expected = HttpStatusCode.OK)
    {
        var page = await coach.OpenAsync("/plan/calendar");
        using var form = new MultipartFormDataContent
        {
            {
                new StringContent(page.QuerySelector("#bring input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
            { new StringContent("1"), "team" },
            { new StringContent(text), "file", "club.ics" },
        };
        using var answer = await coach.Http.PostAsync(new Uri("/plan/calendar?handler=Look", UriKind.Relative), form);
        Assert.Equal(expected, answer.StatusCode);
        return await Visitor.ParsedAsync(answer);
    }

    private static async Task TakeAsync(Visitor coach, IHtmlDocument preview)
    {
        using var taken = await coach.PostAsync(preview, "#take", "/plan/calendar?handler=Take");
        Assert.Equal(HttpStatusCode.Redirect, taken.StatusCode);
    }

    private Task<int> CountAsync() => _home.WithAsync<TallyDb, int>(db => db.Practices.CountAsync());

    private Task<DateOnly> DateAsync() =>
        _home.WithAsync<TallyDb, DateOnly>(db =>
            db.Practices.Where(each => each.CalendarUid == "a").Select(each => each.Date).SingleAsync()
        );
}
