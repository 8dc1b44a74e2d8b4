using KeepTally.Core.Loads;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Results;

/// <summary>What was foreseen beside what happened, what was practised, what was written down, and limits of load of the club's own.</summary>
public sealed class ForesightTests(PastPageTests.Club club) : IClassFixture<PastPageTests.Club>
{
    private Task<IReadOnlyList<PastSheet>> SheetsAsync() =>
        club.Home.WithAsync<PastBook, IReadOnlyList<PastSheet>>(async past => await past.OfTeamAsync(1));

    [Fact]
    public async Task Nothing_is_foreseen_from_what_came_later_and_what_happened_is_what_the_results_say()
    {
        var sheets = await SheetsAsync();
        var all = Foresight.Of(sheets, TestContext.Current.CancellationToken);
        var gates = all.Where(drill => drill.Card.Id == "three-gates").ToArray();
        var days = sheets.Where(sheet => sheet.Outcome.Card.Id == "three-gates").GroupBy(sheet => sheet.Practice).ToArray();

        // The first day has nothing before it.
        Assert.Equal(
            days.Skip(1).Select(day => day.Key).Order(ByDate),
            gates.Select(drill => drill.Practice).Distinct().Order(ByDate)
        );
        foreach (var day in days.Skip(1))
        {
            var units = day.SelectMany(sheet => sheet.Outcome.Report.Units).Where(unit => unit.Attempts > 0).ToArray();
            var before = days.TakeWhile(each => each.Key != day.Key)
                .SelectMany(each => each)
                .SelectMany(sheet => sheet.Outcome.Report.Units);
            var foreseen = gates.Where(drill => drill.Practice == day.Key).ToArray();
            // Three steps cleared is all there is to do.
            Assert.Equal(
                (units.Count(unit => unit.Cleared == 3 && unit.Running <= Duration.FromMinutes(6)), units.Length),
                (foreseen.Sum(drill => drill.Done.Made), foreseen.Sum(drill => drill.Done.Of))
            );
            Assert.All(foreseen, drill => Assert.Equal(before.Sum(unit => unit.Attempts), drill.Known.Of));
        }

        // Foreseen from the same sheets without the last day, the days before read the same.
        var last = sheets.Max(sheet => sheet.Practice.Date);
        Assert.Equal(
            all.Where(drill => drill.Practice.Date < last).Select(drill => (drill.Practice.Id, drill.Chance)),
            Foresight
                .Of([.. sheets.Where(sheet => sheet.Practice.Date < last)], TestContext.Current.CancellationToken)
                .Select(drill => (drill.Practice.Id, drill.Chance))
        );
        var page = await club.Home.Visit().OpenAsync("/plan/foresight");
        Assert.Contains("was forecast and", page.QuerySelector("main")!.TextContent, StringComparison.Ordinal);
    }

    private static readonly Comparer<PastPractice> ByDate = Comparer<PastPractice>.Create(
        (one, other) => one.Date.CompareTo(other.Date)
    );

    [Fact]
    public async Task What_was_practised_is_counted_by_practice_and_what_was_not_is_named()
    {
        var sheets = await SheetsAsync();
        var today = sheets.Max(sheet => sheet.Practice.Date);
        var player = sheets[0].Outcome.Report.Units[0];
        var coverage = SquadCoverage.Of(sheets, [(player.Id, "Ada")], ["shooting", "juggling"], today, 8);

        var shooting = coverage.Skills.Single(row => row.Skill == "shooting");
        Assert.Equal(
            sheets
                .Where(sheet => sheet.Outcome.Card.Skills.Contains("shooting"))
                .Select(sheet => sheet.Practice.Id)
                .Distinct()
                .Count(),
            shooting.Practices.Sum()
        );
        Assert.Null(coverage.Skills.Single(row => row.Skill == "juggling").Last);
        Assert.Equal(0, coverage.Players[0].Practices[coverage.Skills.ToList().FindIndex(row => row.Skill == "juggling")]);
    }

    [Fact]
    public async Task A_best_in_the_results_is_better_than_all_that_player_did_before()
    {
        var days = (await SheetsAsync())
            .Where(sheet => sheet.Outcome.Card.Id == "minute-trios")
            .GroupBy(sheet => sheet.Practice)
            .ToArray();
        var visitor = club.Home.Visit();
        var first = await visitor.OpenAsync($"/results/{days[0].Key.Id}");
        Assert.All(
            first.QuerySelectorAll("td"),
            cell => Assert.DoesNotContain("personal best", cell.TextContent, StringComparison.Ordinal)
        );
        var before = days[..^1].SelectMany(day => day).SelectMany(UnitsOf).ToLookup(unit => unit.Name, unit => unit.Points);
        var last = await visitor.OpenAsync($"/results/{days[^1].Key.Id}");
        var rows = last.QuerySelectorAll(".drill-results section")
            .Single(drill => drill.QuerySelector("h2")!.TextContent.StartsWith("Minute trios", StringComparison.Ordinal))
            .QuerySelectorAll(".result-table tbody tr")
            .ToDictionary(row => row.QuerySelector("th")!.ChildNodes[0].TextContent.Trim(), row => row.TextContent);

        foreach (var (name, points) in days[^1].SelectMany(UnitsOf).Where(unit => before.Contains(unit.Name)))
        {
            var squad = points > before.SelectMany(each => each).Max();
            Assert.Equal(squad, rows[name].Contains("best of the squad", StringComparison.Ordinal));
            Assert.Equal(!squad && points > before[name].Max(), rows[name].Contains("personal best", StringComparison.Ordinal));
        }

        static IEnumerable<(string Name, double Points)> UnitsOf(PastSheet sheet) =>
            sheet
                .Outcome.Report.Units.Where(unit => unit.Attempts > 0)
                .Select(unit => (sheet.Outcome.Head.NameOf(unit.Id), unit.Points));
    }

    [Fact]
    public async Task What_was_written_down_comes_to_the_card_and_to_the_next_sheet()
    {
        await club.Home.WithAsync<TallyDb, int>(async db =>
        {
            var sheet = await db
                .Sheets.Where(each => each.Run!.Block!.CardVersion!.CardId == "three-gates")
                .OrderByDescending(each => each.RunId)
                .Select(each => each.Id)
                .FirstAsync();
            const string Line = """{"device":"me","n":1,"at":900000,"type":"note","text":"Wider next time"}""";
            return await db.Database.ExecuteSqlAsync(
                $"INSERT INTO Events (SheetId, Device, N, At, Type, Line) VALUES ({sheet}, 'me', 1, 900000, 'note', {Line})"
            );
        });
        var visitor = club.Home.Visit();
        var card = await visitor.OpenAsync("/drills/three-gates/past?handler=Before");
        var next = await visitor.OpenAsync("/plan/1/before");

        Assert.Contains("Wider next time", card.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Run in three practices", card.Body.TextContent, StringComparison.Ordinal);
        Assert.Contains("Three gates: Wider next time", next.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Three gates: Wider next time", await LastReportAsync(visitor), StringComparison.Ordinal);
    }

    private async Task<string> LastReportAsync(Visitor visitor)
    {
        var practice = (await SheetsAsync()).Last(sheet => sheet.Outcome.Card.Id == "three-gates").Practice.Id;
        return (await visitor.OpenAsync($"/results/{practice}/report")).Body!.TextContent;
    }

    [Fact]
    public async Task The_clubs_own_limits_hold_until_what_is_suggested_is_taken_back()
    {
        var visitor = club.Home.Visit();
        var page = await visitor.OpenAsync("/squad/loads");
        Assert.Contains(
            "not checked against any league's rules",
            page.QuerySelector("main")!.TextContent,
            StringComparison.Ordinal
        );
        using var wrong = await visitor.PostAsync(page, "main form", "/squad/loads", ("text", "throw ten: 5"));
        Assert.Equal(System.Net.HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        using var kept = await visitor.PostAsync(page, "main form", "/squad/loads", ("text", "throw 5-18: 3"));
        Assert.Equal(System.Net.HttpStatusCode.Redirect, kept.StatusCode);
        var practice = await club.Home.WithAsync<TallyDb, Practice>(db =>
            db.Practices.AsNoTracking().OrderByDescending(each => each.Date).FirstAsync(each => each.TeamId == 1)
        );
        var allowances = await AllowancesAsync(practice);
        Assert.NotEmpty(allowances);
        Assert.All(allowances, allowance => Assert.Equal((3, false), (allowance.Most, allowance.Rests)));

        var own = await visitor.OpenAsync("/squad/loads");
        Assert.Contains("the club's own", own.QuerySelector("main")!.TextContent, StringComparison.Ordinal);
        using var back = await visitor.PostAsync(own, "main form", "/squad/loads?handler=Suggested");
        Assert.All(await AllowancesAsync(practice), allowance => Assert.True(allowance.Most >= 50));

        Task<IReadOnlyList<LoadAllowance>> AllowancesAsync(Practice of) =>
            club.Home.WithAsync<LoadBook, IReadOnlyList<LoadAllowance>>(async loads => await loads.AllowancesAsync(of, ["throw"]));
    }
}
