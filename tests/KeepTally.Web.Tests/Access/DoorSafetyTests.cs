using System.Globalization;
using System.Net;
using System.Text;
using KeepTally.Store.Database;
using KeepTally.Store.People;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Access;

/// <summary>Strangers who guess, copy a ticket or write as another device.</summary>
public sealed class DoorSafetyTests : IAsyncLifetime
{
    private const string Password = "gravel otter plinth sway";

    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private static async Task<Installation> ClubAsync()
    {
        var home = Installation.Empty();
        await home.InitializeAsync();
        var coach = home.VisitAsNobody();
        using var made = await coach.FoundClubAsync(Password);
        return home;
    }

    private static async Task<(HttpStatusCode Status, string Text)> SignInAsync(Visitor visitor, string name, string password)
    {
        using var answer = await visitor.SendAsync(
            await visitor.OpenAsync("/signin"),
            "form",
            "/signin",
            ("name", name),
            ("password", password)
        );
        return (answer.StatusCode, await answer.Content.ReadAsStringAsync());
    }

    private static async Task<HttpStatusCode> PostAsync(
        Visitor visitor,
        string sheet,
        string device,
        string rest = "\"type\":\"note\",\"text\":\"x\""
    )
    {
        using var content = new StringContent(
            $$"""{"device":"{{device}}","n":1,"at":0,{{rest}}}""",
            Encoding.UTF8,
            "application/x-ndjson"
        );
        using var answer = await visitor.Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
        return answer.StatusCode;
    }

    [Fact]
    public async Task A_made_up_key_does_not_open_the_throttle_of_a_door()
    {
        var stranger = _home.VisitAsNobody();
        var page = await stranger.OpenAsync("/join");
        var answers = new List<HttpStatusCode>();
        for (var n = 0; n < 45; n++)
        {
            stranger.Http.DefaultRequestHeaders.Remove("Authorization");
            stranger.Http.DefaultRequestHeaders.Add("Authorization", $"Bearer made-up-{n.ToString(CultureInfo.InvariantCulture)}");
            using var answer = await stranger.SendAsync(page, "form", "/join", ("code", "BCDFGH"), ("name", "Pat"));
            answers.Add(answer.StatusCode);
        }

        Assert.Equal(HttpStatusCode.TooManyRequests, answers[^1]);
    }

    [Fact]
    public async Task A_strangers_wrong_passwords_do_not_keep_a_coach_out_where_they_have_been_in_before()
    {
        await using var home = await ClubAsync();
        var phone = home.VisitAsNobody();
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(phone, "Jo", Password)).Status);
        using var signedOut = await phone.SendAsync(await phone.OpenAsync("/you"), "form", "/you?handler=Out");
        for (var n = 0; n < 8; n++)
        {
            await SignInAsync(home.VisitAsNobody(), "Jo", "gravel otter plinth away");
        }

        Assert.Contains("Too many tries", (await SignInAsync(home.VisitAsNobody(), "Jo", Password)).Text, StringComparison.Ordinal);
        Assert.Contains(
            "Wrong name or password",
            (await SignInAsync(phone, "Jo", "gravel otter plinth away")).Text,
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(phone, "Jo", Password)).Status);
    }

    [Fact]
    public async Task Names_that_are_known_and_names_that_are_not_are_answered_alike()
    {
        await using var home = await ClubAsync();
        var answers = new Dictionary<string, List<string>>();
        foreach (var name in new[] { "Jo", "Nobody" })
        {
            answers[name] = [];
            for (var n = 0; n < 12; n++)
            {
                var (_, text) = await SignInAsync(home.VisitAsNobody(), name, "gravel otter plinth away");
                answers[name]
                    .Add(
                        text.Contains("Too many tries. Try again in 10 minutes", StringComparison.Ordinal) ? "closed"
                        : text.Contains("Wrong name or password", StringComparison.Ordinal) ? "wrong"
                        : text
                    );
            }
        }

        Assert.Equal(answers["Jo"], answers["Nobody"]);
        Assert.Contains("closed", answers["Jo"]);
    }

    [Fact]
    public async Task A_copied_ticket_lets_nobody_in_once_its_owner_has_signed_out()
    {
        await using var home = await ClubAsync();
        var phone = home.VisitAsNobody();
        await SignInAsync(phone, "Jo", Password);
        var thief = home.VisitAsNobody();
        foreach (var (name, value) in phone.Cookies)
        {
            thief.Cookies[name] = value;
        }

        using var before = await thief.Http.GetAsync(new Uri("/squad", UriKind.Relative));
        Assert.Equal(HttpStatusCode.OK, before.StatusCode);
        using var signedOut = await phone.SendAsync(await phone.OpenAsync("/you"), "form", "/you?handler=Out");

        using var after = await thief.Http.GetAsync(new Uri("/squad", UriKind.Relative));
        Assert.Equal(HttpStatusCode.Redirect, after.StatusCode);
        Assert.Equal(1, await home.WithAsync<TallyDb, int>(db => db.EndedSessions.CountAsync()));
        await home.WithAsync<SessionBook, bool>(async sessions =>
        {
            var again = new SessionBook(
                (Microsoft.Extensions.DependencyInjection.IServiceScopeFactory)
                    home.Services.GetService(typeof(Microsoft.Extensions.DependencyInjection.IServiceScopeFactory))!,
                home.Clock
            );
            await again.LoadAsync();
            var id = await home.WithAsync<TallyDb, string>(db => db.EndedSessions.Select(session => session.Id).SingleAsync());
            Assert.True(again.IsEnded(id));
            home.Clock.Advance(TimeSpan.FromDays(31));
            await again.TidyAsync();
            Assert.Equal(0, await home.WithAsync<TallyDb, int>(db => db.EndedSessions.CountAsync()));
            return true;
        });
    }

    [Fact]
    public async Task A_helper_writes_under_no_device_of_a_coach_of_a_key_or_of_the_clock()
    {
        var practice = await _home.PracticeAsync();
        var sheet = (await _home.BegunAsync())[0];
        await _home.WithAsync<DoorBook, bool>(doors => doors.OpenAsync(practice));
        var code = (await _home.WithAsync<DoorBook, PracticeDoor?>(doors => doors.OfAsync(practice)))!.JoinCode;
        var pat = _home.VisitAsNobody();
        using var joined = await pat.SendAsync(await pat.OpenAsync("/join"), "form", "/join", ("code", code), ("name", "Pat"));
        Assert.Equal(HttpStatusCode.OK, await PostAsync(_home.Visit(), sheet, "coachdev"));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, await PostAsync(pat, sheet, "coachdev"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await PostAsync(pat, sheet, "key-1"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await PostAsync(pat, sheet, "clock"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await PostAsync(pat, sheet, "circuit"));
        Assert.Equal(HttpStatusCode.OK, await PostAsync(pat, sheet, "patphone"));
        // What a page needs is read as fast as the network is; only sending has a pace.
        for (var n = 0; n < 260; n++)
        {
            using var read = await pat.Http.GetAsync(new Uri("/api/time", UriKind.Relative));
            Assert.Equal(HttpStatusCode.OK, read.StatusCode);
        }

        // A coach who signs in on Pat's phone sends what waits there.
        Assert.Equal(HttpStatusCode.OK, await PostAsync(_home.Visit(), sheet, "patphone"));
    }
}
