using System.Globalization;
using System.Net;
using AngleSharp.Html.Dom;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Store.Database;
using KeepTally.Store.Results;
using KeepTally.Store.Seasons;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Results;

/// <summary>A season of a squad: its table, its attendance, and how it is closed and opened again.</summary>
public sealed class SeasonTests(PastPageTests.Club club) : IClassFixture<PastPageTests.Club>
{
    [Fact]
    public async Task The_table_holds_what_the_results_of_each_practice_add_up_to()
    {
        var page = await club.Home.Visit().OpenAsync("/squad/season?team=1");
        var table = (IHtmlTableElement)page.QuerySelector(".season-table")!;
        var column = table
            .Head!.Rows[0]
            .Cells.ToList()
            .FindIndex(cell => cell.TextContent.Contains("Three gates", StringComparison.Ordinal));
        var gates = await club.ResultsOfAsync("three-gates");
        var seen = 0;
        foreach (var row in table.Bodies[0].Rows)
        {
            var own = gates.Where(each => each.Unit.Name == row.Cells[0].TextContent.Trim()).ToArray();
            var (made, of) = (own.Sum(each => each.Report.Successes), own.Sum(each => each.Report.Attempts));
            var cell = row.Cells[column];
            if (of == 0)
            {
                Assert.Equal("·", cell.TextContent.Trim());
                continue;
            }

            seen++;
            Assert.Equal($"{made} of {of}", cell.QuerySelector(".of-all")!.TextContent);
            // Three practices had it: too few for a trend, so none is told.
            Assert.Null(cell.QuerySelector("[class^=goes-]"));
        }

        Assert.True(seen > 8);
        Assert.Equal(
            $"{gates.Sum(each => each.Report.Successes)} of {gates.Sum(each => each.Report.Attempts)}",
            table.Foot!.Rows[0].Cells[column].QuerySelector(".of-all")!.TextContent
        );
    }

    [Theory]
    [InlineData("", true)]
    [InlineData("&low=true", false)]
    public async Task A_press_on_a_drill_sorts_by_it_and_who_had_no_go_stays_last(string low, bool highestFirst)
    {
        var page = await club.Home.Visit().OpenAsync($"/squad/season?team=1&sort=1{low}");
        var table = (IHtmlTableElement)page.QuerySelector(".season-table")!;
        var cells = table.Bodies[0].Rows.Select(row => row.Cells[1].QuerySelector("b")?.TextContent).ToArray();
        var shares = cells
            .TakeWhile(cell => cell is not null)
            .Select(cell => int.Parse(cell!.TrimEnd('%', ' ', '\u00a0'), CultureInfo.InvariantCulture))
            .ToArray();

        Assert.True(shares.Length > 8);
        Assert.All(cells.Skip(shares.Length), Assert.Null);
        Assert.Equal(highestFirst ? shares.OrderDescending() : shares.Order(), shares);
        Assert.Equal(highestFirst ? "descending" : "ascending", table.Head!.Rows[0].Cells[1].GetAttribute("aria-sort"));
    }

    [Theory]
    [InlineData(Presence.Late, true, Presence.Late)]
    [InlineData(Presence.Late, false, Presence.Absent)]
    [InlineData(Presence.Absent, false, Presence.Absent)]
    [InlineData(Presence.Absent, true, Presence.Here)]
    [InlineData(Presence.Here, false, Presence.Here)]
    [InlineData(null, true, Presence.Here)]
    [InlineData(null, false, null)]
    public async Task Who_played_was_there_whatever_was_recorded_before(Presence? recorded, bool plays, Presence? expected)
    {
        var sheets = await SheetsAsync();
        var (practice, player) = (sheets[0].Practice, PlayerIn(sheets[0]));
        var row = new Practice
        {
            Id = practice.Id,
            Title = practice.Title,
            Date = practice.Date,
        };
        var number = int.Parse(player.Value[1..], CultureInfo.InvariantCulture);
        if (recorded is { } presence)
        {
            row.Attendance.Add(new Attendance { PlayerId = number, Presence = presence });
        }

        var attendance = SquadAttendance.Of([row], [new Player { Id = number, Name = "Ada" }], plays ? sheets : []);
        Assert.Equal(expected, attendance.Players[0].Marks.Single());
        Assert.Equal(
            expected is null ? null
                : expected is Presence.Absent ? 0.0
                : 1.0,
            attendance.Average
        );
    }

    /// <summary>A practice of which nothing is known is no practice without players.</summary>
    [Fact]
    public void The_average_leaves_out_a_practice_whose_attendance_is_not_known()
    {
        Practice Held(int id, params Presence[] marks)
        {
            var practice = new Practice { Id = id, Title = "Practice" };
            foreach (var (index, mark) in marks.Index())
            {
                practice.Attendance.Add(new Attendance { PlayerId = index + 1, Presence = mark });
            }

            return practice;
        }

        Player[] players = [new() { Id = 1, Name = "Ada" }, new() { Id = 2, Name = "Bea" }];
        var attendance = SquadAttendance.Of(
            [Held(1), Held(2, Presence.Here, Presence.Here), Held(3, Presence.Here, Presence.Absent)],
            players,
            []
        );
        Assert.Equal(1.5, attendance.Average);
    }

    [Fact]
    public async Task The_sentence_above_says_what_the_table_of_attendance_holds()
    {
        var page = await club.Home.Visit().OpenAsync("/squad/season?team=1");
        var table = (IHtmlTableElement)page.QuerySelector(".heat-table")!;
        var marks = table.Bodies[0].Rows.Select(row => row.QuerySelectorAll("td [role=img]").ToArray()).ToArray();
        var held = table.Head!.Rows[0].Cells.Length - 2;
        var known = Enumerable.Range(0, held).Count(day => marks.Any(row => row[day].TextContent != "·"));
        var there = marks.Sum(row => row.Count(mark => mark.TextContent is "●" or "◐"));
        var average = ((double)there / known).ToString("0.#", CultureInfo.InvariantCulture);
        var said = page.QuerySelector(".judged")!.TextContent;

        Assert.StartsWith($"{held} practices from ", said, StringComparison.Ordinal);
        Assert.EndsWith(
            $", with {average} of the squad's {marks.Length} players there on average.",
            said,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_closed_season_is_read_on_its_own_page_and_is_out_of_the_way_of_lists()
    {
        await using var other = new PastPageTests.Club();
        await other.InitializeAsync();
        var own = other.Home;
        var visitor = own.Visit();
        var before = Titles(await visitor.OpenAsync("/results"));
        var season = await visitor.OpenAsync("/squad/season?team=1");
        using (
            var closed = await visitor.SendAsync(
                season,
                "form[action*=Close]",
                ("name", "Autumn"),
                ("lastDay", own.Clock.GetUtcNow().AddDays(-14).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture))
            )
        )
        {
            Assert.Equal(HttpStatusCode.Redirect, closed.StatusCode);
        }

        var present = Titles(await visitor.OpenAsync("/results"));
        var id = await own.WithAsync<TallyDb, int>(db => db.Seasons.Select(each => each.Id).SingleAsync());
        var autumn = Titles(await visitor.OpenAsync($"/results?season={id}"));
        Assert.NotEmpty(present);
        Assert.NotEmpty(autumn);
        Assert.Equal(before.Order(), present.Concat(autumn).Order());
        Assert.Equal(before, Titles(await visitor.OpenAsync("/results?season=all")));
        var plan = await visitor.OpenAsync("/plan");
        Assert.DoesNotContain(autumn, title => Titles(plan).Contains(title));

        var read = await visitor.OpenAsync($"/squad/season?season={id}");
        Assert.Equal("Season Autumn", read.QuerySelector("h1")!.TextContent);
        Assert.NotNull(read.QuerySelector(".season-table"));
        using var reopened = await visitor.SendAsync(read, "form[action*=Reopen]");
        Assert.Equal(HttpStatusCode.Redirect, reopened.StatusCode);
        Assert.Equal(before, Titles(await visitor.OpenAsync("/results")));
    }

    [Fact]
    public async Task A_season_that_cannot_be_closed_says_what_is_wrong()
    {
        await using var own = new Installation();
        await own.InitializeAsync();
        var today = DateOnly.FromDateTime(own.Clock.GetUtcNow().DateTime);
        Assert.Contains("1 to 40 letters", await FaultAsync("  ", today), StringComparison.Ordinal);
        Assert.Contains("still to come", await FaultAsync("2026", today.AddDays(1)), StringComparison.Ordinal);
        Assert.Equal("", await FaultAsync("2026", today));
        Assert.Contains("already", await FaultAsync("2026", today), StringComparison.Ordinal);
        Assert.Contains("belongs to 2026", await FaultAsync("2027", today), StringComparison.Ordinal);

        async Task<string> FaultAsync(string name, DateOnly lastDay)
        {
            var closed = await own.WithAsync<SeasonBook, Result<Season>>(book => book.CloseAsync(1, name, lastDay));
            return closed.IsOk ? "" : closed.Faults[0].Told;
        }
    }

    [Fact]
    public async Task An_assistant_reads_a_season_and_neither_closes_it_nor_takes_its_files()
    {
        var assistant = club.Home.VisitAs("Sam Wren");
        var page = await assistant.OpenAsync("/squad/season");
        Assert.NotNull(page.QuerySelector("h1"));
        Assert.Empty(page.QuerySelectorAll("form[action*=Close], a[href*=handler]"));
    }

    private async Task<IReadOnlyList<PastSheet>> SheetsAsync() =>
        await club.Home.WithAsync<PastBook, IReadOnlyList<PastSheet>>(async past => await past.OfTeamAsync(1));

    private static PlayerId PlayerIn(PastSheet sheet) => sheet.Outcome.Report.Games.SelectMany(game => game.Stays).First().Player;

    private static string[] Titles(IHtmlDocument page) =>
        [.. page.QuerySelectorAll(".practice-list a").Select(link => link.GetAttribute("href")!.Split('/')[^1])];
}
