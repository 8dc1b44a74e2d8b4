using KeepTally.Core.Groups;
using KeepTally.Core.Reports;
using KeepTally.Store.Database;
using KeepTally.Store.Demo;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using SplitWay = KeepTally.Core.Groups.SplitWay;

namespace KeepTally.Web.Tests.Store;

/// <summary>The made-up past: played by the rules, the same every time, and of use for groups.</summary>
public sealed class DemoPastTests
{
    private static async Task<bool> SeedAsync(Installation home, CancellationToken cancellationToken = default) =>
        await home.WithAsync<DemoPast, bool>(async past =>
        {
            await past.SeedAsync(cancellationToken);
            return true;
        });

    private static Task<List<Practice>> PracticesAsync(Installation home) =>
        home.WithAsync<TallyDb, List<Practice>>(db => db.Practices.AsNoTracking().OrderBy(practice => practice.Date).ToListAsync());

    /// <summary>Every figure of every result, as a text.</summary>
    private static async Task<string> FiguresAsync(Installation home)
    {
        var figures = new List<string>();
        foreach (var practice in await PracticesAsync(home))
        {
            var drills = await home.WithAsync<PracticeResults, IReadOnlyList<DrillResult>>(results => results.OfAsync(practice.Id));
            figures.AddRange(
                drills.SelectMany(drill =>
                    drill.Rows.Select(row =>
                        $"{practice.Date} {drill.Card.Id} {row.Unit.Name} {row.Report.Points} {row.Report.Successes} of {row.Report.Attempts}"
                    )
                )
            );
        }

        return string.Join('\n', figures);
    }

    [Fact]
    public async Task Eight_weeks_of_practices_come_out_the_same_every_time_and_only_once()
    {
        await using var one = new Installation();
        await using var other = new Installation();
        await one.InitializeAsync();
        await other.InitializeAsync();
        await SeedAsync(one);
        await SeedAsync(one);
        await SeedAsync(other);

        var days = (await PracticesAsync(one)).Select(practice => practice.Date).ToArray();
        Assert.Equal(9, days.Length);
        Assert.Equal(56, days[^1].DayNumber - days[0].DayNumber);
        var figures = await FiguresAsync(one);
        Assert.Contains("Ada Fenwick", figures, StringComparison.Ordinal);
        Assert.Equal(figures, await FiguresAsync(other));
    }

    [Fact]
    public async Task Another_team_is_half_way_through_a_practice_that_today_names_and_that_can_be_continued()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        for (var time = 0; time < 2; time++)
        {
            await home.WithAsync<DemoUnderWay, bool>(async seed =>
            {
                await seed.SeedAsync(TestContext.Current.CancellationToken);
                return true;
            });
        }

        var practice = Assert.Single(await PracticesAsync(home), each => each.Title == "Quick hands, quick feet");
        var drills = await home.WithAsync<PracticeResults, IReadOnlyList<DrillResult>>(results => results.OfAsync(practice.Id));
        Assert.Equal([true, true, false, false], drills.GroupBy(drill => drill.RunId).Select(run => run.All(drill => drill.Begun)));
        Assert.All(drills.Where(drill => drill.Begun).SelectMany(drill => drill.Rows), row => Assert.True(row.Report.Attempts > 0));

        var coach = home.Visit();
        var today = (await coach.OpenAsync("/")).Body!.TextContent;
        Assert.Contains("Start practice", today, StringComparison.Ordinal);
        Assert.Contains("Also begun today: Saltmarsh Terns under-16", today, StringComparison.Ordinal);
        var theirs = (await coach.OpenAsync($"/?practice={practice.Id}")).Body!.TextContent;
        Assert.Contains("Continue practice", theirs, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Without_players_enough_the_other_team_has_no_practice()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        await home.WithAsync<TallyDb, int>(db => db.Players.Where(player => player.TeamId == 2).ExecuteDeleteAsync());

        await home.WithAsync<DemoUnderWay, bool>(async seed =>
        {
            await seed.SeedAsync(TestContext.Current.CancellationToken);
            return true;
        });

        Assert.Single(await PracticesAsync(home));
    }

    [Fact]
    public async Task Stopped_before_it_is_all_there_nothing_of_it_is()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        using var stopped = new CancellationTokenSource();
        await stopped.CancelAsync();

        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => SeedAsync(home, stopped.Token));

        Assert.Single(await PracticesAsync(home));
    }

    [Fact]
    public async Task A_team_that_cannot_play_and_any_other_team_is_left_alone()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        await home.WithAsync<TallyDb, int>(db =>
            db.Players.ExecuteUpdateAsync(set => set.SetProperty(player => player.Archived, true))
        );
        await SeedAsync(home);
        Assert.Single(await PracticesAsync(home));

        await home.WithAsync<TallyDb, int>(db => db.Teams.ExecuteUpdateAsync(set => set.SetProperty(team => team.Name, "My team")));
        await home.WithAsync<TallyDb, int>(db =>
            db.Players.ExecuteUpdateAsync(set => set.SetProperty(player => player.Archived, false))
        );
        await SeedAsync(home);
        Assert.Single(await PracticesAsync(home));
    }

    [Fact]
    public async Task Groups_are_made_level_by_a_result_of_it_and_partners_fresh_after_it()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var today = await home.PracticeAsync();
        await SeedAsync(home);

        Assert.Contains(
            ("minute-trios", "Minute trios"),
            await home.WithAsync<PlayerLevels, IReadOnlyList<(string, string)>>(levels => levels.ChoicesAsync(1))
        );
        var listed = await EvennessAsync(home, today, SplitWay.Listed, "minute-trios");
        var level = await EvennessAsync(home, today, SplitWay.Level, "minute-trios");
        var fresh = await EvennessAsync(home, today, SplitWay.Fresh, "");
        Assert.True(level.LevelGap < listed.LevelGap, $"level {level.LevelGap}, as listed {listed.LevelGap}");
        Assert.True(fresh.Met < listed.Met, $"fresh {fresh.Met}, as listed {listed.Met}");
    }

    /// <summary>How even the groups of the first drill are, levels counted whichever way they are made.</summary>
    private static async Task<Core.Groups.Evenness> EvennessAsync(Installation home, int practice, SplitWay way, string by)
    {
        await home.WithAsync<GroupWriter, bool>(async writer => (await writer.SplitAsync(practice, SplitWay.Level, 1, by)).IsOk);
        await home.WithAsync<TallyDb, int>(db =>
            db.Practices.Where(each => each.Id == practice).ExecuteUpdateAsync(set => set.SetProperty(each => each.Split, way))
        );
        var found = await home.WithAsync<PracticeBook, Practice?>(book => book.FindAsync(practice));
        var planned = await home.WithAsync<GroupPlan, PlannedGroups>(plan => plan.OfAsync(found!));
        return planned.Blocks[0].Groups!.Evenness;
    }
}
