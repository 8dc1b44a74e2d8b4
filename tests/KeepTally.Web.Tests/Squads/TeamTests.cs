using KeepTally.Core.Faults;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Squads;

/// <summary>Several teams of one club, each with its own players and practices.</summary>
public sealed class TeamTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task A_team_is_added_named_anew_and_given_players_of_its_own()
    {
        var visitor = _home.Visit();
        using var added = await visitor.PostAsync(
            await visitor.OpenAsync("/squad"),
            "#new-team-form",
            "/squad?handler=Team",
            ("name", "Minis")
        );
        var address = added.Headers.Location!.ToString();
        var page = await visitor.OpenAsync(address);
        Assert.Equal("Minis", page.QuerySelector("[aria-current=true]")!.TextContent);
        Assert.Empty(page.QuerySelectorAll(".squad-table tbody tr"));

        using var player = await visitor.SendAsync(page, ".squad-form form", address, ("Form.Name", "Tess Marsh"));
        using var renamed = await visitor.PostAsync(
            await visitor.OpenAsync(address),
            "#team-form",
            $"{address}&handler=Team",
            ("name", "Little Terns")
        );
        var after = await visitor.OpenAsync(renamed.Headers.Location!.ToString());
        Assert.Equal("Little Terns", after.QuerySelector("[aria-current=true]")!.TextContent);
        Assert.Equal(["Tess Marsh"], after.QuerySelectorAll(".squad-table tbody th").Select(name => name.TextContent));
        Assert.DoesNotContain(
            "Tess",
            (await visitor.OpenAsync("/squad?team=1")).QuerySelector(".squad-table")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task The_sport_of_a_team_is_asked_once_and_puts_its_drills_and_practices_first()
    {
        var visitor = _home.Visit();
        using var saved = await visitor.PostAsync(
            await visitor.OpenAsync("/squad"),
            "#team-form",
            "/squad?handler=Team",
            ("sport", "netball")
        );
        Assert.Equal("netball", (await visitor.OpenAsync("/squad")).QuerySelector("#team-sport option[selected]")!.TextContent);

        var book = await visitor.OpenAsync("/drills");
        Assert.Contains("cards, netball first", book.QuerySelector(".found-count")!.TextContent, StringComparison.Ordinal);
        var first = book.QuerySelector(".card-tile h2 a")!.GetAttribute("href")!;
        var card = await _home.WithAsync<DrillBook, BookEntry>(async all =>
            (await all.ListAsync()).Single(entry => first.EndsWith(entry.Id, StringComparison.Ordinal))
        );
        Assert.Contains("netball", card.Card.Sports);

        var ready = await visitor.OpenAsync("/begin/practice");
        Assert.Equal(
            ["netball", "any sport", "handball"],
            ready.QuerySelectorAll(".ready h2").Take(3).Select(each => each.TextContent)
        );
        var offers = await visitor.OpenAsync("/plan/1/offers");
        Assert.Equal("netball", offers.QuerySelector("#in-sport option[selected]")!.TextContent);
    }

    [Fact]
    public async Task A_sport_that_no_card_of_the_book_names_is_none()
    {
        var visitor = _home.Visit();
        using var saved = await visitor.PostAsync(
            await visitor.OpenAsync("/squad"),
            "#team-form",
            "/squad?handler=Team",
            ("sport", "made-up ball")
        );

        Assert.Equal("", (await _home.WithAsync<SquadBook, Team>(squad => squad.TeamAsync(1))).Sport);
    }

    [Fact]
    public async Task A_team_chosen_on_one_page_is_the_one_shown_on_the_others()
    {
        var visitor = _home.Visit();
        var other = await _home.WithAsync<SquadBook, int>(squad => squad.AddTeamAsync("Minis", ""));
        Assert.NotEqual("Minis", Chosen(await visitor.OpenAsync("/squad/coverage")));

        var today = await visitor.OpenAsync($"/?choose={other}");
        Assert.Equal("Minis", Chosen(today));
        Assert.Equal("No practice yet", today.QuerySelector("h1")!.TextContent);
        foreach (var page in new[] { "/squad", "/squad/coverage", "/plan/foresight", "/drills/three-gates/past", "/" })
        {
            Assert.Equal("Minis", Chosen(await visitor.OpenAsync(page)));
        }

        // A link to another team's page shows it and changes no choice.
        Assert.NotEqual("Minis", Chosen(await visitor.OpenAsync("/drills/three-gates/past?team=1")));
        Assert.Equal("Minis", Chosen(await visitor.OpenAsync("/squad")));

        // A practice that is opened by its address is shown, whatever its team.
        var practice = await _home.PracticeAsync();
        Assert.NotEqual("Minis", Chosen(await visitor.OpenAsync($"/?practice={practice}")));
        Assert.Equal("Minis", Chosen(await visitor.OpenAsync("/")));

        static string Chosen(AngleSharp.Html.Dom.IHtmlDocument page) =>
            page.QuerySelector(".team-choice [aria-current=true]")!.TextContent;
    }

    [Fact]
    public async Task A_practice_of_another_team_has_that_teams_players()
    {
        var visitor = _home.Visit();
        using var begun = await visitor.PostAsync(await visitor.OpenAsync("/"), "#new-practice", "/?handler=New", ("team", "3"));

        var today = await visitor.OpenAsync(begun.Headers.Location!.ToString());

        Assert.Equal("Saltmarsh Terns hockey", today.QuerySelector(".team-choice [aria-current=true]")!.TextContent);
        Assert.Equal(8, today.QuerySelectorAll(".here-tile").Length);
        var practice = await _home.WithAsync<TallyDb, int>(db => db.Practices.MaxAsync(each => each.Id));
        var line = new DrillLine(practice, "clean-or-not", 8, 2, new Dictionary<string, string>());
        Assert.Null((await _home.WithAsync<BlockWriter, Result<int>>(blocks => blocks.AddAsync(line))).Faults.FirstOrDefault());
        Assert.Null(await _home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(practice)).FirstFault));
        var heads = await _home.WithAsync<TallyDb, List<string>>(db => db.Sheets.Select(sheet => sheet.HeadJson).ToListAsync());
        Assert.DoesNotContain(heads, head => head.Contains("Ada", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Players_of_two_teams_are_no_pair()
    {
        var (ada, kerra) = await _home.WithAsync<TallyDb, (int, int)>(async db =>
            (
                (await db.Players.SingleAsync(player => player.Name == "Ada Fenwick")).Id,
                (await db.Players.SingleAsync(player => player.Name == "Kerra Blythe")).Id
            )
        );

        Assert.Equal(
            "they are not both in this team",
            (
                await _home.WithAsync<PairBook, Fault?>(async pairs => (await pairs.KeepAsync(1, ada, kerra, true)).FirstFault)
            )!.Problem
        );
    }
}
