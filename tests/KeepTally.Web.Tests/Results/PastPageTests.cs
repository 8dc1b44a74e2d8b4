using System.Globalization;
using System.Text.RegularExpressions;
using KeepTally.Core.Judgement;
using KeepTally.Core.Reports;
using KeepTally.Core.Text;
using KeepTally.Core.Words;
using KeepTally.Store.Database;
using KeepTally.Store.Demo;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Results;

/// <summary>What eight weeks of practices say: of a drill, of a player, and of what is to come.</summary>
public sealed partial class PastPageTests(PastPageTests.Club club) : IClassFixture<PastPageTests.Club>
{
    [Fact]
    public async Task A_drills_past_adds_up_to_the_results_of_its_practices()
    {
        var page = await club.Home.Visit().OpenAsync("/drills/three-gates/past");
        var table = page.QuerySelectorAll("table").First(each => each.QuerySelector("caption")!.TextContent == "By practice");
        var (made, of) = (0, 0);
        foreach (var row in table.QuerySelectorAll("tbody tr"))
        {
            var cells = row.QuerySelectorAll("td").Select(cell => cell.TextContent.Trim()).ToArray();
            made += int.Parse(cells[1], System.Globalization.CultureInfo.InvariantCulture);
            of += int.Parse(cells[2], System.Globalization.CultureInfo.InvariantCulture);
        }

        var results = await club.ResultsOfAsync("three-gates");
        Assert.Equal((results.Sum(row => row.Report.Successes), results.Sum(row => row.Report.Attempts)), (made, of));
        // Three practices of eight had it: too few for a trend, and it says so.
        Assert.Contains(
            $"{made} of {of}: too few for a trend",
            page.QuerySelector(".judged")!.TextContent,
            StringComparison.Ordinal
        );
        Assert.NotNull(page.QuerySelector("svg.chart-days[aria-label]"));
    }

    [Fact]
    public async Task Players_stand_by_what_is_sure_of_them_when_that_is_asked()
    {
        var page = await club.Home.Visit().OpenAsync("/drills/minute-trios/past?by=sure");
        var table = page.QuerySelectorAll("table")
            .First(each => each.QuerySelector("caption")!.TextContent.StartsWith("By player", StringComparison.Ordinal));
        var low = table
            .QuerySelectorAll("tbody tr")
            .Select(row => row.QuerySelectorAll("td").Select(cell => cell.TextContent.Trim()).ToArray())
            .Select(cells => new Share(Whole(cells[1]), Whole(cells[2])).Bounds.Low)
            .ToArray();

        Assert.True(low.Length > 8);
        Assert.Equal(low.OrderDescending(), low);

        static int Whole(string text) => int.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task A_players_page_tells_the_zones_asked_for_so_many_as_there_were_goes()
    {
        var players = await club.Home.WithAsync<TallyDb, List<Player>>(db => db.Players.AsNoTracking().ToListAsync());
        var seen = 0;
        foreach (var player in players)
        {
            var page = await club.Home.Visit().OpenAsync($"/players/{player.Id}");
            foreach (var drill in page.QuerySelectorAll("section.player-drill"))
            {
                var folds = drill
                    .QuerySelectorAll("details")
                    .ToDictionary(fold => fold.QuerySelector("summary")!.TextContent.Split(';')[0]);
                if (folds.TryGetValue("Zones by practice", out var zones))
                {
                    var all = Sums(folds["By practice"].QuerySelectorAll("tbody tr"));
                    var cells = zones
                        .QuerySelectorAll("tbody tr")
                        .Select(row => row.QuerySelectorAll("td").Select(cell => HitOf(cell.TextContent)).ToArray())
                        .ToArray();
                    Assert.Equal(all, (cells.Sum(row => row[^1].Hit), cells.Sum(row => row[^1].Of)));
                    Assert.All(cells, row => Assert.Equal(row[^1].Of, row.SkipLast(1).Sum(day => day.Of)));
                    Assert.StartsWith(
                        "Ask next for ",
                        drill.QuerySelector(".landed")!.ParentElement!.TextContent.Trim(),
                        StringComparison.Ordinal
                    );
                    seen++;
                }
            }
        }

        Assert.True(seen > 0);

        static (int Hit, int Of) HitOf(string cell) =>
            cell.Split('/') is [var hit, var of]
                ? (int.Parse(hit, CultureInfo.InvariantCulture), int.Parse(of, CultureInfo.InvariantCulture))
                : (0, 0);

        static (int Made, int Of) Sums(IEnumerable<AngleSharp.Dom.IElement> rows) =>
            (rows.Sum(row => Whole(row.QuerySelectorAll("td")[0])), rows.Sum(row => Whole(row.QuerySelectorAll("td")[1])));
        static int Whole(AngleSharp.Dom.IElement cell) =>
            int.Parse(cell.TextContent, System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task The_lead_of_a_match_is_drawn_and_ends_at_the_score_of_its_table()
    {
        var seen = 0;
        foreach (
            var id in await club.Home.WithAsync<TallyDb, List<int>>(db =>
                db.Practices.Select(practice => practice.Id).ToListAsync()
            )
        )
        {
            var page = await club.Home.Visit().OpenAsync($"/results/{id}");
            foreach (
                var drill in page.QuerySelectorAll("section.result")
                    .Where(each => each.QuerySelectorAll("svg.chart-lead").Length == 1)
            )
            {
                var last = drill
                    .QuerySelector(".chart-figure tbody tr:last-child")!
                    .QuerySelectorAll("td")
                    .Select(cell => cell.TextContent);
                var table = drill
                    .QuerySelectorAll(".result-table tbody tr")
                    .Select(row => row.QuerySelectorAll("td.figure, td .figure").Skip(1).First().TextContent.Trim());

                Assert.Equal(table.Order(StringComparer.Ordinal), last.Order(StringComparer.Ordinal));
                Assert.Equal(
                    drill.QuerySelector("figcaption")!.TextContent,
                    drill.QuerySelector("svg.chart-lead")!.GetAttribute("aria-label")
                );
                seen++;
            }
        }

        Assert.True(seen > 3);
    }

    [Theory]
    [InlineData("")]
    [InlineData("?text=three+GATES")]
    [InlineData("?text=Clean")]
    [InlineData("?from=2026-01-01&to=2026-01-02")]
    [InlineData("?order=oldest&of=1")]
    [InlineData("?text=100%25&of=x&from=soon")]
    public async Task The_list_of_results_shows_what_was_searched_for(string query)
    {
        var asked = System.Web.HttpUtility.ParseQueryString(query);
        var page = await club.Home.Visit().OpenAsync($"/results{query}");
        var shown = page.QuerySelectorAll(".practice-list a")
            .Select(link => int.Parse(link.GetAttribute("href")!.Split('/')[^1]))
            .ToArray();

        var all = await club.Home.WithAsync<TallyDb, List<Practice>>(db =>
            db.Practices.AsNoTracking()
                .Include(practice => practice.Blocks)
                    .ThenInclude(block => block.CardVersion)
                .Where(practice => practice.Blocks.Any(block => block.Run != null))
                .ToListAsync()
        );
        var expected = all.Where(practice =>
                asked["text"] is not { } text
                || practice.Title.Contains(text, StringComparison.OrdinalIgnoreCase)
                || practice.Blocks.Any(block => block.CardVersion?.Name.Contains(text, StringComparison.OrdinalIgnoreCase) == true)
            )
            .Where(practice => asked["of"] != "1" || practice.TeamId == 1)
            .Where(practice =>
                asked["to"] is null
                || practice.Date <= DateOnly.Parse(asked["to"]!, System.Globalization.CultureInfo.InvariantCulture)
            )
            .OrderByDescending(practice => practice.Date)
            .ThenByDescending(practice => practice.Id)
            .Select(practice => practice.Id);

        Assert.Equal(asked["order"] is null ? expected : expected.Reverse(), shown);
    }

    [Fact]
    public async Task A_players_page_is_of_that_player_alone()
    {
        var players = await club.Home.WithAsync<TallyDb, List<Player>>(db => db.Players.AsNoTracking().ToListAsync());
        var one = players.First(player => player.Name == "Ada Fenwick");
        var page = await club.Home.Visit().OpenAsync($"/players/{one.Id}");
        var text = page.QuerySelector("main")!.TextContent;

        Assert.Contains("Ada Fenwick", text, StringComparison.Ordinal);
        Assert.All(
            players.Where(player => player.Name != one.Name),
            other => Assert.DoesNotContain(other.Name, text, StringComparison.Ordinal)
        );
        // What is told of throws is what was tapped for her in drills that count them.
        var load = page.QuerySelectorAll("section")
            .Single(section => section.QuerySelector("h2")!.TextContent == "Load")
            .QuerySelectorAll("tbody tr")
            .Sum(row => int.Parse(row.QuerySelectorAll("td")[1].TextContent, System.Globalization.CultureInfo.InvariantCulture));
        var results = (await club.ResultsOfAsync("three-gates"))
            .Concat(await club.ResultsOfAsync("minute-trios"))
            .Concat(await club.ResultsOfAsync("clean-or-not"))
            .Where(row => row.Unit.Name == one.Name)
            .Sum(row => row.Report.Attempts);
        var taps = (await club.ResultsOfAsync("corner-calls"))
            .Where(row => row.Unit.Name == one.Name)
            .Sum(row => row.Report.Counts.Sum(count => count.Value));
        Assert.Equal(results + taps, load);
    }

    [Fact]
    public async Task Another_skill_or_time_makes_another_fit()
    {
        var hard = await PlayedOutAsync("percent=35&minutes=6");
        var easy = await PlayedOutAsync("percent=80&minutes=6");
        var longer = await PlayedOutAsync("percent=80&minutes=600");

        Assert.True(hard < easy, $"{hard} < {easy}");
        Assert.True(easy <= longer, $"{easy} <= {longer}");
    }

    [Fact]
    public async Task By_itself_it_goes_by_the_squads_record()
    {
        var results = await club.ResultsOfAsync("three-gates");
        var share = new Share(results.Sum(row => row.Report.Successes), results.Sum(row => row.Report.Attempts));
        var page = await club.Home.Visit().OpenAsync("/drills/three-gates/simulation");

        Assert.Contains(
            $"Based on the record of Saltmarsh Terns under-14 here: {Phrase.Percent(share.Value)} made ({share.Made} of {share.Of})",
            page.QuerySelector("#fit")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_run_judged_by_other_numbers_is_as_if_it_had_been_kept_so_and_nothing_changes()
    {
        var (practice, run) = await club.RunOfAsync("three-gates");
        var before = await club.ResultsOfAsync("three-gates");
        var visitor = club.Home.Visit();
        var address = $"/results/{practice}/rescore/{run}";
        var same = await visitor.OpenAsync(address);
        Assert.Null(same.QuerySelector(".judged"));

        // One make clears a step: nobody clears fewer than before, and a player clears more.
        var easy = await visitor.OpenAsync($"{address}?number.stages[0].ladder.pass.successes=1");
        var cells = easy.QuerySelectorAll("tbody tr")
            .Select(row => row.QuerySelectorAll("td").Select(cell => cell.TextContent.Trim()).ToArray())
            .Where(row => row[1] != "–")
            .Select(row => (Was: Whole(row[1]), Would: Whole(row[4])))
            .ToArray();
        Assert.NotEmpty(cells);
        Assert.All(cells, row => Assert.True(row.Would >= row.Was));
        Assert.Contains(cells, row => row.Would > row.Was);
        Assert.Contains("would have.", easy.QuerySelector(".judged")!.TextContent, StringComparison.Ordinal);

        var wrong = await visitor.OpenAsync($"{address}?number.stages[0].ladder.pass.successes=none");
        Assert.Contains("is no number", wrong.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(
            before.Select(row => row.Report.Cleared),
            (await club.ResultsOfAsync("three-gates")).Select(row => row.Report.Cleared)
        );

        static int Whole(string text) => int.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task A_past_tap_is_put_right_with_a_trace_and_taken_back()
    {
        var (practice, _) = await club.RunOfAsync("clean-or-not");
        var visitor = club.Home.Visit();
        var results = await visitor.OpenAsync($"/results/{practice}");
        var address = results
            .QuerySelectorAll("a")
            .First(link => link.GetAttribute("href")!.Contains("/correct/", StringComparison.Ordinal))
            .GetAttribute("href")!;
        var before = await club.ResultsOfAsync("clean-or-not");
        var all = await visitor.OpenAsync(address);
        var miss = all.QuerySelectorAll("ol.taps-kept li")
            .First(line => line.TextContent.Contains("Miss", StringComparison.Ordinal));
        var open = await visitor.OpenAsync(miss.QuerySelector("a.chip")!.GetAttribute("href")!);
        using var said = await visitor.SendAsync(open, "#amend", ("outcome", "clean"));
        Assert.Equal(System.Net.HttpStatusCode.Redirect, said.StatusCode);

        // One more success of as many goes, and the results say what it was first.
        var after = await club.ResultsOfAsync("clean-or-not");
        Assert.Equal(before.Sum(row => row.Report.Successes) + 1, after.Sum(row => row.Report.Successes));
        Assert.Equal(before.Sum(row => row.Report.Attempts), after.Sum(row => row.Report.Attempts));
        Assert.Contains(
            "corrected afterwards",
            (await visitor.OpenAsync($"/results/{practice}")).Body!.TextContent,
            StringComparison.Ordinal
        );
        var trail = await club.Home.WithAsync<TallyDb, List<AuditEntry>>(db => db.Audit.AsNoTracking().ToListAsync());
        Assert.Contains(
            trail,
            entry => entry.Act == AuditAct.Correction && entry.About.StartsWith("A tap of ", StringComparison.Ordinal)
        );

        // Put right the other way, all is as it was.
        var again = await visitor.OpenAsync(miss.QuerySelector("a.chip")!.GetAttribute("href")!);
        using var back = await visitor.SendAsync(again, "#amend", ("outcome", "miss"));
        Assert.Equal(
            before.Select(row => (row.Unit.Id, row.Report.Points)),
            (await club.ResultsOfAsync("clean-or-not")).Select(row => (row.Unit.Id, row.Report.Points))
        );
    }

    [Fact]
    public async Task A_timing_sheet_is_played_ahead_drill_by_drill()
    {
        var (practice, _) = await club.RunOfAsync("three-gates");
        var page = await club.Home.Visit().OpenAsync($"/plan/{practice}/ahead");
        var lines = page.QuerySelectorAll("tbody tr").Select(row => row.TextContent).ToArray();

        Assert.Equal(3, lines.Length);
        Assert.Contains(
            lines,
            line =>
                line.Contains("Three gates", StringComparison.Ordinal)
                && line.Contains("and has 6:00: it finishes in", StringComparison.Ordinal)
        );
        Assert.Contains(
            lines,
            line => line.Contains("Minute trios", StringComparison.Ordinal) && line.Contains("goes each", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task The_record_is_of_the_team_asked_for_and_says_nothing_of_who_wins_a_match()
    {
        var other = await club.Home.WithAsync<TallyDb, int>(db =>
            db.Teams.Where(team => team.Name.Contains("hockey")).Select(team => team.Id).SingleAsync()
        );
        var theirs = await club.Home.Visit().OpenAsync($"/drills/three-gates/simulation?team={other}");
        Assert.DoesNotContain("record of", theirs.QuerySelector("#fit")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("50", theirs.QuerySelector("input[name=percent]")!.GetAttribute("value"));

        // It was played in the past, and goals alone are tapped: both sides have the same chance till a player says otherwise.
        Assert.NotEmpty(await club.ResultsOfAsync("win-it-score-it"));
        var match = await club.Home.Visit().OpenAsync("/drills/win-it-score-it/simulation");
        Assert.Equal("50", match.QuerySelector("input[name=percent]")!.GetAttribute("value"));
        Assert.Contains("wins in 5 of 10 runs", match.QuerySelector("#fit")!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("percent=101", "from 0 to 100")]
    [InlineData("minutes=0", "from 0.5 to 600")]
    [InlineData("pace=many", "Write numbers")]
    public async Task What_cannot_be_played_is_told(string asked, string words)
    {
        var page = await club.Home.Visit().OpenAsync($"/drills/three-gates/simulation?{asked}");

        Assert.Contains(words, page.QuerySelector("#fit [role=alert]")!.TextContent, StringComparison.Ordinal);
    }

    /// <summary>A ladder, zones, a match, turns, a group, and one without a success; every card is played in the core's own tests.</summary>
    [Theory]
    [InlineData("two-rings")]
    [InlineData("corner-calls")]
    [InlineData("win-it-score-it")]
    [InlineData("stay-on")]
    [InlineData("keep-it-up")]
    [InlineData("warm-hands")]
    public async Task A_card_of_any_kind_can_be_looked_at_ahead(string card)
    {
        var page = await club.Home.Visit().OpenAsync($"/drills/{card}/simulation?percent=55");

        Assert.Null(page.QuerySelector("#fit [role=alert]"));
        Assert.NotNull(page.QuerySelector("#fit li, #fit .says"));
    }

    private async Task<int> PlayedOutAsync(string asked)
    {
        var page = await club.Home.Visit().OpenAsync($"/drills/three-gates/simulation?{asked}");
        var words = page.QuerySelector(".fit-lines li")!.TextContent;
        return words.Contains("in no run", StringComparison.Ordinal) ? 0
            : words.Contains("hardly", StringComparison.Ordinal) ? 0
            : words.Contains("every run", StringComparison.Ordinal) ? 10
            : int.Parse(Tenths().Match(words).Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture);
    }

    [GeneratedRegex("in (\\d+) of 10 runs")]
    private static partial Regex Tenths();

    /// <summary>The whole demo with its past.</summary>
    public sealed class Club : IAsyncLifetime
    {
        public Installation Home { get; } = Installation.Whole();

        public async ValueTask InitializeAsync()
        {
            await Home.InitializeAsync();
            await Home.WithAsync<DemoPast, bool>(async past =>
            {
                await past.SeedAsync(CancellationToken.None);
                return true;
            });
        }

        /// <summary>Every row of a drill in every practice, as the results have it.</summary>
        public async Task<IReadOnlyList<Core.Scoring.DrillRow>> ResultsOfAsync(string card)
        {
            var rows = new List<Core.Scoring.DrillRow>();
            foreach (
                var id in await Home.WithAsync<TallyDb, List<int>>(db => db.Practices.Select(practice => practice.Id).ToListAsync())
            )
            {
                rows.AddRange(
                    (await Home.WithAsync<PracticeResults, IReadOnlyList<DrillResult>>(results => results.OfAsync(id)))
                        .Where(drill => drill.Begun && drill.Card.Id == card)
                        .SelectMany(drill => drill.Rows)
                );
            }

            return rows;
        }

        /// <summary>The first run of a card in the past.</summary>
        public Task<(int Practice, int Run)> RunOfAsync(string card) =>
            Home.WithAsync<TallyDb, (int, int)>(async db =>
            {
                var run = await db
                    .Runs.Where(each => each.Block!.CardVersion!.CardId == card)
                    .OrderBy(each => each.Id)
                    .Select(each => new { each.Id, each.Block!.PracticeId })
                    .FirstAsync();
                return (run.PracticeId, run.Id);
            });

        public async ValueTask DisposeAsync() => await Home.DisposeAsync();
    }
}
