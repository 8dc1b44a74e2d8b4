using System.Net;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Tests.Results;

namespace KeepTally.Web.Tests.Pages;

/// <summary>Lists are searched and sorted, the address keeps it, and what does not match says so.</summary>
public sealed class ListSearchTests(PastPageTests.Club club) : IClassFixture<PastPageTests.Club>
{
    [Fact]
    public async Task Plans_are_searched_by_text_team_and_day()
    {
        var all = await PracticesAsync("/plan");
        var gates = await PracticesAsync("/plan?text=three+gates");
        Assert.True(gates.Length > 0 && gates.Length < all.Length);
        Assert.All(gates, practice => Assert.Contains(practice, all));
        var byTeam = new List<string>();
        foreach (var team in new[] { 1, 2, 3 })
        {
            byTeam.AddRange(await PracticesAsync($"/plan?of={team}"));
        }

        Assert.Equal(all.Order(), byTeam.Order());
        Assert.Empty(await PracticesAsync("/plan?of=99"));
        var day = club
            .Home.Clock.GetUtcNow()
            .AddDays(-14)
            .ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        var (before, since) = (await PracticesAsync($"/plan?to={day}"), await PracticesAsync($"/plan?from={day}"));
        Assert.Equal(all.Order(), before.Concat(since).Distinct().Order());
        var none = await club.Home.Visit().OpenAsync("/plan?text=zzzz");
        Assert.Contains("No practice to come matches.", none.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("zzzz", none.QuerySelector("#text")!.GetAttribute("value"));
    }

    [Theory]
    [InlineData("name", 1)]
    [InlineData("plays", 2)]
    [InlineData("born", 4)]
    public async Task A_squad_is_sorted_by_its_headings(string sort, int column)
    {
        var page = await club.Home.Visit().OpenAsync($"/squad?team=1&sort={sort}");
        var cells = page.QuerySelectorAll(".squad-table tbody tr").Select(row => row.Children[column].TextContent.Trim()).ToArray();
        Assert.True(cells.Length > 8);
        Assert.Equal(cells.OrderBy(cell => cell.Length == 0).ThenBy(cell => cell, StringComparer.OrdinalIgnoreCase), cells);
        Assert.Equal("ascending", page.QuerySelectorAll(".squad-table th")[column].GetAttribute("aria-sort"));
    }

    [Fact]
    public async Task Players_are_searched_by_name_and_the_page_hears_of_changes_of_all()
    {
        var page = await club.Home.Visit().OpenAsync("/squad?team=1&text=ada");
        Assert.Equal("Ada Fenwick", Assert.Single(page.QuerySelectorAll(".squad-table tbody th")).TextContent);
        var mark = page.QuerySelector("[hx-get*=News]")!.GetAttribute("hx-get")!.Split("mark=")[1].Split('&')[0];
        var whole = await club.Home.WithAsync<SquadBook, List<Player>>(squad => squad.ListAsync(1));
        Assert.Equal(SquadMark.Of(whole), Uri.UnescapeDataString(mark));
        Assert.Contains(
            "No player matches.",
            (await club.Home.Visit().OpenAsync("/squad?team=1&text=zz")).Body!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task People_are_searched_by_name_and_team()
    {
        Assert.Equal("Sam Wren", Assert.Single(await PeopleAsync("/people?text=wren")));
        var hockey = await PeopleAsync("/people?of=3");
        Assert.Contains("Robin Teal", hockey);
        Assert.True(hockey.Length < (await PeopleAsync("/people")).Length);
    }

    [Fact]
    public async Task The_log_is_searched_by_word_act_and_day_to_the_moment_a_day_begins()
    {
        var coach = club.Home.Visit();
        using (var exported = await coach.Http.GetAsync(new Uri("/squad?handler=Csv&team=1", UriKind.Relative)))
        {
            Assert.Equal(HttpStatusCode.OK, exported.StatusCode);
        }

        Assert.NotEmpty(await LinesAsync("/people/record?act=Export&text=squad"));
        Assert.Empty(await LinesAsync("/people/record?act=Erasure"));
        Assert.Empty(await LinesAsync("/people/record?text=100%25_nobody"));
        var today = DateOnly.FromDateTime(club.Home.Clock.GetUtcNow().DateTime);
        Assert.NotEmpty(await LinesAsync($"/people/record?from={today:yyyy-MM-dd}&to={today:yyyy-MM-dd}"));
        Assert.Empty(await LinesAsync($"/people/record?from={today.AddDays(1):yyyy-MM-dd}"));
    }

    private async Task<string[]> PracticesAsync(string path) =>
        [
            .. (await club.Home.Visit().OpenAsync(path))
                .QuerySelectorAll(".practice-list a")
                .Select(link => link.GetAttribute("href")!),
        ];

    private async Task<string[]> PeopleAsync(string path) =>
        [.. (await club.Home.Visit().OpenAsync(path)).QuerySelectorAll(".account strong").Select(name => name.TextContent)];

    private async Task<string[]> LinesAsync(string path) =>
        [.. (await club.Home.Visit().OpenAsync(path)).QuerySelectorAll(".trail li").Select(line => line.TextContent)];
}
