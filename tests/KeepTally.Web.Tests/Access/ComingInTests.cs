using System.Net;
using KeepTally.Store.Database;
using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Access;

/// <summary>Who comes in and how: the first start, passwords, links, codes, keys, and how each ends.</summary>
public sealed class ComingInTests
{
    private const string Password = "gravel otter plinth sway";

    [Fact]
    public async Task An_empty_folder_is_set_up_by_the_player_who_has_the_link_and_by_nobody_else()
    {
        await using var home = Installation.Empty();
        await home.InitializeAsync();
        var stranger = home.VisitAsNobody();
        using var sent = await stranger.Http.GetAsync(new Uri("/", UriKind.Relative));
        Assert.Equal("/first", sent.Headers.Location!.OriginalString);
        Assert.Contains("Not set up yet", await TextAsync(stranger, "/first"), StringComparison.Ordinal);
        Assert.Contains("Not set up yet", await TextAsync(stranger, "/first?key=guessed"), StringComparison.Ordinal);

        var coach = home.VisitAsNobody();
        var page = await coach.OpenAsync($"/first?key={Installation.FirstKey}");
        using var weak = await coach.SendAsync(
            page,
            "form",
            "/first",
            ("name", "Jo"),
            ("team", "Reed Warblers"),
            ("password", "short")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, weak.StatusCode);
        Assert.Contains("15 letters or more", await weak.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        using var done = await coach.SendAsync(
            page,
            "form",
            "/first",
            ("name", "Jo"),
            ("team", "Reed Warblers"),
            ("password", Password)
        );
        Assert.StartsWith("/begin/squad", done.Headers.Location!.OriginalString, StringComparison.Ordinal);

        using var late = await stranger.SendAsync(
            page,
            "form",
            "/first",
            ("name", "Eve"),
            ("team", "Mine"),
            ("password", Password)
        );
        Assert.NotEqual(HttpStatusCode.Redirect, late.StatusCode);
        Assert.Equal(1, await home.WithAsync<TallyDb, int>(db => db.Users.CountAsync()));
    }

    [Fact]
    public async Task From_names_to_a_practice_under_way_are_three_forms()
    {
        await using var home = Installation.Empty();
        await home.InitializeAsync();
        var coach = home.VisitAsNobody();
        using var first = await coach.FoundClubAsync(Password);
        var squad = first.Headers.Location!.OriginalString;
        using var named = await coach.SendAsync(
            await coach.OpenAsync(squad),
            "form",
            squad,
            ("names", "7 Ada\n- Bea\nCleo, Dora; Esme\n\nFreya 11\nGreta\nHana\n")
        );
        var ready = named.Headers.Location!.OriginalString;
        using var begun = await coach.SendAsync(await coach.OpenAsync(ready), "form", ready, ("practice", "handball-shooting"));

        var run = begun.Headers.Location!.OriginalString;
        Assert.StartsWith("/run/", run, StringComparison.Ordinal);
        Assert.Contains("Freya", await TextAsync(coach, run), StringComparison.Ordinal);
        Assert.Equal(
            [
                ("Ada", 7),
                ("Bea", null),
                ("Cleo", null),
                ("Dora", null),
                ("Esme", null),
                ("Freya", 11),
                ("Greta", null),
                ("Hana", (int?)null),
            ],
            (await home.WithAsync<TallyDb, List<Player>>(db => db.Players.OrderBy(player => player.Id).ToListAsync())).Select(
                player => (player.Name, player.Number)
            )
        );
    }

    [Fact]
    public async Task Too_many_wrong_passwords_close_an_account_for_a_while_and_the_right_one_opens_it_after()
    {
        await using var home = await SetUpAsync();
        for (var i = 0; i < 8; i++)
        {
            Assert.Equal(
                HttpStatusCode.UnprocessableEntity,
                (await SignInAsync(home.VisitAsNobody(), "Jo", "gravel otter plinth away")).StatusCode
            );
        }

        var closed = await SignInAsync(home.VisitAsNobody(), "Jo", Password);
        Assert.Contains("Try again in 10 minutes", await closed.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        home.Clock.Advance(TimeSpan.FromMinutes(11));
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(home.VisitAsNobody(), "jo", Password)).StatusCode);
    }

    [Fact]
    public async Task A_player_who_tries_too_fast_is_held_up()
    {
        await using var home = await SetUpAsync();
        var visitor = home.VisitAsNobody();
        var page = await visitor.OpenAsync("/join");
        var answers = new List<HttpStatusCode>();
        for (var i = 0; i < 45; i++)
        {
            using var answer = await visitor.SendAsync(page, "form", "/join", ("code", "BCDFGH"), ("name", "Pat"));
            answers.Add(answer.StatusCode);
        }

        Assert.Contains(HttpStatusCode.UnprocessableEntity, answers);
        Assert.Equal(HttpStatusCode.TooManyRequests, answers[^1]);
    }

    [Fact]
    public async Task Signed_out_everywhere_is_signed_out_at_the_next_request()
    {
        await using var home = await SetUpAsync();
        var (phone, laptop) = (home.VisitAsNobody(), home.VisitAsNobody());
        await SignInAsync(phone, "Jo", Password);
        await SignInAsync(laptop, "Jo", Password);
        Assert.Equal(HttpStatusCode.OK, await StatusAsync(phone, "/squad"));
        using var everywhere = await laptop.SendAsync(await laptop.OpenAsync("/you"), ".out-forms", "/you?handler=Everywhere");
        Assert.Equal(HttpStatusCode.Redirect, everywhere.StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, await StatusAsync(phone, "/squad"));
        Assert.Equal(HttpStatusCode.Redirect, await StatusAsync(laptop, "/squad"));
    }

    [Fact]
    public async Task An_assistant_chooses_a_password_by_a_link_that_works_once()
    {
        await using var home = await SetUpAsync();
        var head = home.VisitAsNobody();
        await SignInAsync(head, "Jo", Password);
        using var invited = await head.SendAsync(
            await head.OpenAsync("/people"),
            "form[action*=Invite]",
            ("name", "Kim"),
            ("teams", "1")
        );
        var link = (await Visitor.ParsedAsync(invited)).QuerySelector(".handed code")!.TextContent;
        var kim = home.VisitAsNobody();
        var page = await kim.OpenAsync(new Uri(link).PathAndQuery);
        using var chosen = await kim.SendAsync(page, "form", "/invite", ("password", "lantern mossy badger oar"));
        Assert.Equal(HttpStatusCode.Redirect, chosen.StatusCode);
        Assert.Contains(
            "no longer works",
            await TextAsync(home.VisitAsNobody(), new Uri(link).PathAndQuery),
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(kim, "Kim", "lantern mossy badger oar")).StatusCode);

        Assert.Equal(HttpStatusCode.OK, await StatusAsync(kim, "/squad"));
        Assert.Equal(HttpStatusCode.Forbidden, await StatusAsync(kim, "/people"));
        Assert.Equal(HttpStatusCode.Forbidden, await StatusAsync(kim, "/people/record"));
        Assert.Equal(HttpStatusCode.Forbidden, await StatusAsync(kim, "/squad?handler=Csv"));
        Assert.Empty((await kim.OpenAsync("/squad")).QuerySelectorAll("form"));

        // Taken away is out at once.
        using var gone = await head.SendAsync(
            await head.OpenAsync("/people"),
            "li:nth-child(2) form.chips",
            "/people?handler=Remove"
        );
        Assert.Equal(HttpStatusCode.Redirect, gone.StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, await StatusAsync(kim, "/squad"));
    }

    [Fact]
    public async Task The_last_head_coach_stays()
    {
        await using var home = await SetUpAsync();
        var head = home.VisitAsNobody();
        await SignInAsync(head, "Jo", Password);
        using var answer = await head.SendAsync(await head.OpenAsync("/people"), "form.chips", "/people?handler=Remove");
        Assert.Contains("last head coach", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, await StatusAsync(head, "/people"));
    }

    [Fact]
    public async Task Who_joined_by_a_code_is_in_for_this_practice_and_out_with_it()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var practice = await home.PracticeAsync();
        await home.BegunAsync();
        var coach = home.Visit();
        using var opened = await coach.SendAsync(
            await coach.OpenAsync($"/door/{practice}"),
            "form",
            $"/door/{practice}?handler=Open"
        );
        var code = (await coach.OpenAsync($"/door/{practice}")).QuerySelector(".join-code")!.TextContent;

        var pat = home.VisitAsNobody();
        using var joined = await pat.SendAsync(
            await pat.OpenAsync("/join"),
            "form",
            "/join",
            ("code", code.ToLowerInvariant().Insert(3, " ")),
            ("name", "Pat")
        );
        Assert.Equal($"/run/{practice}", joined.Headers.Location!.OriginalString);
        Assert.Equal(HttpStatusCode.OK, await StatusAsync(pat, $"/run/{practice}"));
        Assert.Equal(HttpStatusCode.Forbidden, await StatusAsync(pat, "/squad"));
        Assert.Contains(
            "Pat",
            (await coach.OpenAsync($"/door/{practice}")).QuerySelector(".joined")!.TextContent,
            StringComparison.Ordinal
        );

        home.Clock.Advance(TimeSpan.FromHours(5));
        Assert.Equal(HttpStatusCode.Redirect, await StatusAsync(pat, $"/run/{practice}"));

        using var again = await coach.SendAsync(
            await coach.OpenAsync($"/door/{practice}"),
            "form",
            $"/door/{practice}?handler=Open"
        );
        Assert.Equal(HttpStatusCode.OK, await StatusAsync(pat, $"/run/{practice}"));
        using var closed = await coach.SendAsync(
            await coach.OpenAsync($"/door/{practice}"),
            "form",
            $"/door/{practice}?handler=Close"
        );
        Assert.Equal(HttpStatusCode.Redirect, await StatusAsync(pat, $"/run/{practice}"));

        // Their name goes when it was kept for as long as was said.
        Assert.Contains("Pat, by code", await TextAsync(coach, "/people/record"), StringComparison.Ordinal);
        home.Clock.Advance(TimeSpan.FromDays(31));
        await home.StopAsync();
        await home.StartAsync();
        var later = home.VisitAsNobody();
        await later.SignInAsync("Robin Teal");
        var record = await TextAsync(later, "/people/record");
        Assert.Contains("A helper, by code", record, StringComparison.Ordinal);
        Assert.DoesNotContain("Pat", record, StringComparison.Ordinal);
        Assert.Equal(0, await home.WithAsync<TallyDb, int>(db => db.Joiners.CountAsync()));
    }

    [Fact]
    public async Task Who_is_sent_out_hears_no_more_at_the_next_beat()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var practice = await home.PracticeAsync();
        await home.BegunAsync();
        await home.WithAsync<DoorBook, bool>(doors => doors.OpenAsync(practice));
        var code = (await home.WithAsync<DoorBook, PracticeDoor?>(doors => doors.OfAsync(practice)))!.JoinCode;
        var pat = home.VisitAsNobody();
        using var joined = await pat.SendAsync(await pat.OpenAsync("/join"), "form", "/join", ("code", code), ("name", "Pat"));
        using var late = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        await using var stream = await pat.Http.GetStreamAsync(
            new Uri($"/api/practices/{practice}/events?after=0&device=pat1", UriKind.Relative),
            late.Token
        );
        using var reader = new StreamReader(stream);
        await UntilAsync("Pat");
        var joiner = await home.WithAsync<TallyDb, int>(db => db.Joiners.Select(each => each.Id).SingleAsync());
        Assert.True(await home.WithAsync<DoorBook, bool>(doors => doors.SendOutAsync(practice, joiner)));
        home.Clock.Advance(TimeSpan.FromSeconds(16));
        while (await reader.ReadLineAsync(late.Token) is not null) { }

        async Task UntilAsync(string words)
        {
            while (await reader.ReadLineAsync(late.Token) is { } line && !line.Contains(words, StringComparison.Ordinal)) { }
        }
    }

    [Fact]
    public async Task A_device_sends_with_its_key_until_the_key_is_taken_away()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var sheet = (await home.BegunAsync())[0];
        var head = home.Visit();
        using var made = await head.SendAsync(
            await head.OpenAsync("/people"),
            "form[action*='handler=Key']",
            ("team", "1"),
            ("device", "A button box")
        );
        var key = (await Visitor.ParsedAsync(made)).QuerySelector(".handed code")!.TextContent;
        var box = home.VisitAsNobody().Http;
        box.DefaultRequestHeaders.Add("Authorization", $"Bearer {key}");

        Assert.Equal(HttpStatusCode.OK, await PostAsync(box, sheet, 1));
        Assert.Equal(HttpStatusCode.Forbidden, (await box.GetAsync(new Uri("/squad", UriKind.Relative))).StatusCode);
        using var taken = await head.SendAsync(await head.OpenAsync("/people"), "form[action*=NoKey]");
        Assert.Equal(HttpStatusCode.Unauthorized, await PostAsync(box, sheet, 2));
    }

    [Fact]
    public async Task Who_did_what_can_be_read_by_the_head_coach_and_names_no_player()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var head = home.Visit();
        using var csv = await head.Http.GetAsync(new Uri("/squad?handler=Csv", UriKind.Relative));
        using var file = await head.Http.GetAsync(new Uri("/squad?handler=Player&edit=1", UriKind.Relative));
        Assert.Contains("Ada Fenwick", await file.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        using var erased = await head.SendAsync(await head.OpenAsync("/squad?edit=1"), "#erase");

        var record = (await head.OpenAsync("/people/record")).QuerySelector(".trail")!.TextContent;
        // Said once: what a sign-in is about is the sign-in.
        Assert.Equal(2, record.Split("signed in", StringSplitOptions.None).Length);
        Assert.DoesNotContain("Signed in", record, StringComparison.Ordinal);
        Assert.Contains("The squad of Saltmarsh Terns under-14", record, StringComparison.Ordinal);
        Assert.Contains("Data of player p1", record, StringComparison.Ordinal);
        Assert.Contains("Erased player p1", record, StringComparison.Ordinal);
        Assert.DoesNotContain("Ada", record, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync(head, "/squad?handler=Player&edit=1"));
    }

    [Fact]
    public async Task The_demo_is_not_played_with_a_real_club()
    {
        await using var home = await SetUpAsync();
        Assert.False(await home.WithAsync<KeepTally.Store.Demo.DemoClub, bool>(club => club.MaySeedAsync()));
        Assert.Empty((await home.VisitAsNobody().OpenAsync("/signin")).QuerySelectorAll("button[name=coach]"));
    }

    /// <summary>A real club with its head coach.</summary>
    private static async Task<Installation> SetUpAsync()
    {
        var home = Installation.Empty();
        await home.InitializeAsync();
        Assert.True(
            (
                await home.WithAsync<CoachBook, KeepTally.Core.Faults.Result<Coach>>(coaches => coaches.FirstAsync("Jo", Password))
            ).IsOk
        );
        await home.WithAsync<KeepTally.Store.Squads.SquadBook, int>(squad => squad.FirstTeamAsync("Reed Warblers", ""));
        return home;
    }

    private static async Task<HttpResponseMessage> SignInAsync(Visitor visitor, string name, string password) =>
        await visitor.SendAsync(await visitor.OpenAsync("/signin"), "form", "/signin", ("name", name), ("password", password));

    private static async Task<HttpStatusCode> StatusAsync(Visitor visitor, string address)
    {
        using var answer = await visitor.Http.GetAsync(new Uri(address, UriKind.Relative));
        return answer.StatusCode;
    }

    private static async Task<string> TextAsync(Visitor visitor, string address) =>
        (await visitor.OpenAsync(address)).DocumentElement.TextContent;

    private static async Task<HttpStatusCode> PostAsync(HttpClient http, string sheet, int n)
    {
        using var content = new StringContent(
            $$"""{"device":"box","n":{{n}},"at":{{n}},"type":"start"}""",
            System.Text.Encoding.UTF8,
            "application/x-ndjson"
        );
        using var answer = await http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
        return answer.StatusCode;
    }
}
