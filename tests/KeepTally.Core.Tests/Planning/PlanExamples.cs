using KeepTally.Core.Planning;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Planning;

/// <summary>Sheets worked out by hand.</summary>
public sealed class PlanExamples
{
    private static Plan Plan(double minutes, params PlanBlock[] blocks) =>
        new()
        {
            Start = new TimeOnly(17, 30),
            Minutes = minutes,
            Players = 12,
            Blocks = blocks,
            Reserve = ["warm-hands"],
        };

    private static PlanBlock Drill(string card, double minutes, int groups = 4, double walk = 60) =>
        new PlanBlock.Drill(card, minutes, groups) { ChangeSeconds = walk };

    /// <summary>Common practice: "four stations of three and a half minutes are fourteen minutes and the changes".</summary>
    [Fact]
    public void Four_stations_of_three_and_a_half_minutes_are_fourteen_minutes_and_the_changes()
    {
        var circuit = new PlanBlock.Circuit(["three-gates", "corner-calls", "minute-trios", "warm-hands"], 3.5, 4)
        {
            BetweenSeconds = 30,
        };

        Assert.Equal((14 * 60) + (3 * 30), circuit.Seconds);
        Assert.Equal(14 * 60, (circuit with { ChangeInside = true }).Seconds);
        // A fifth group rests once: there are five turns then.
        Assert.Equal((5 * 210) + (4 * 30), (circuit with { Groups = 5 }).Seconds);
    }

    /// <summary>90 minutes: 6 + 8 + 15:30 + 2 + 12 of work and 1 + 1:30 + 1 of changes are 47, and 43 are left.</summary>
    [Fact]
    public void Ninety_minutes_with_changes()
    {
        var report = PlanReport.Of(
            Plan(
                90,
                Drill("warm-hands", 6, walk: 0),
                Drill("three-gates", 8),
                new PlanBlock.Circuit(["three-gates", "corner-calls", "minute-trios", "warm-hands"], 3.5, 4)
                {
                    BetweenSeconds = 30,
                    ChangeSeconds = 90,
                },
                new PlanBlock.Break("Water", 2),
                Drill("win-it-score-it", 12, 1)
            ),
            AnyPlan.Shelf
        );

        Assert.Equal(47 * 60, report.Total);
        Assert.Equal(43 * 60, report.Slack);
        Assert.Equal(new TimeOnly(18, 17), report.End);
        Assert.Equal(new TimeOnly(17, 46, 30), report.At(report.Blocks[2].From));
    }

    /// <summary>Two relays of six that run side by side: in each of them one runs and five wait.</summary>
    private static CardShelf SideBySide => CardShelf.Of([ShippedCard.Read("shuttle-relay", ("how", "together"))]);

    [Fact]
    public void Where_groups_run_one_after_the_other_another_group_keeps_nobody_busier()
    {
        // Twelve share one course: one runs, eleven wait, however many relays they make.
        Assert.Equal(0.08m, PlanReport.Of(Plan(30, Drill("shuttle-relay", 6, 2)), AnyPlan.Shelf).Blocks[0].ActiveShare);
        Assert.Null(StandingAbout.Best(Plan(30, Drill("shuttle-relay", 6, 2)), 0, AnyPlan.Shelf, []));
    }

    /// <summary>Common practice: one ball between twelve keeps two busy; two more lines keep six busy.</summary>
    [Fact]
    public void Another_line_is_offered_where_players_stand_about()
    {
        var best = StandingAbout.Best(Plan(30, Drill("shuttle-relay", 6, 2)), 0, SideBySide, []);

        Assert.NotNull(best);
        Assert.Equal("four groups", best.What);
        Assert.Equal("", best.Missing);
        Assert.Equal((0.17m, 0.33m), (best.From, best.To));
        Assert.Equal("busy 17 → 33 %", best.Gain);
    }

    [Theory]
    [InlineData(0.17, 0.33, "busy 17 → 33 %")]
    [InlineData(0.29, 1.0, "busy 29 → 100 %")]
    [InlineData(0.0, 0.5, "busy 0 → 50 %")]
    public void A_gain_is_told_in_whole_percent(double from, double to, string told) =>
        Assert.Equal(told, new BusyChange("", Plan(30), "") { From = (decimal)from, To = (decimal)to }.Gain);

    [Fact]
    public void What_another_line_takes_and_is_not_there_is_told()
    {
        var plan = Plan(30, Drill("shuttle-relay", 6, 2)) with
        {
            Equipment = new Dictionary<string, int> { ["ball"] = 2, ["cone"] = 20 },
        };

        Assert.Equal("two more balls", StandingAbout.Best(plan, 0, SideBySide, [])!.Missing);
    }

    [Fact]
    public void What_is_carried_is_the_most_any_line_needs_and_stations_add_up()
    {
        var carried = Needs.Carried(
            Plan(
                60,
                Drill("warm-hands", 4), // a ball for each of four groups
                new PlanBlock.Circuit(["minute-trios", "three-gates"], 4, 2), // 2 balls, and one for each of six
                Drill("win-it-score-it", 8, 1) // one ball, seven bibs
            ),
            AnyPlan.Shelf
        );

        Assert.Equal(8, carried["ball"]);
        Assert.Equal(6, carried["cone"]);
        Assert.Equal(7, carried["bib"]);
    }

    /// <summary>Twenty minutes of hard work are the most without water: exactly as many still go, half a minute more does not.</summary>
    [Theory]
    [InlineData(12, 8, false)]
    [InlineData(12, 8.5, true)]
    [InlineData(20, 1, true)]
    public void Water_is_due_after_more_than_twenty_minutes(double first, double second, bool due)
    {
        var plan = Plan(60, Drill("win-it-score-it", first, 1), Drill("minute-trios", second));
        Assert.Equal(due, PlanReport.Of(plan, AnyPlan.Shelf).Warnings.Any(each => each.Code == WarningCode.NoWater));
        // A break between them begins the count again.
        var rested = plan with
        {
            Blocks = [plan.Blocks[0], new PlanBlock.Break("Water", 2), plan.Blocks[1]],
        };
        Assert.DoesNotContain(PlanReport.Of(rested, AnyPlan.Shelf).Warnings, each => each.Code == WarningCode.NoWater);
    }

    [Fact]
    public void Water_is_offered_where_it_is_missing_and_cones_are_freed_by_doing_things_in_turn()
    {
        var plan = Plan(60, Drill("three-gates", 10), Drill("minute-trios", 8), Drill("win-it-score-it", 8, 1));
        var warning = Assert.Single(PlanReport.Of(plan, AnyPlan.Shelf).Warnings, each => each.Code == WarningCode.NoWater);

        Assert.Contains(
            new PlanFixes(plan, AnyPlan.Shelf, []).For(warning),
            fix => fix.Label == "Add water before Win it, score it"
        );

        var circuit = Plan(60, new PlanBlock.Circuit(["sprint-gates", "three-gates", "warm-hands"], 4, 3)) with
        {
            Equipment = new Dictionary<string, int> { ["ball"] = 20, ["cone"] = 4 },
        };
        var cones = Assert.Single(PlanReport.Of(circuit, AnyPlan.Shelf).Warnings, each => each.Code == WarningCode.ShortOf);
        var labels = new PlanFixes(circuit, AnyPlan.Shelf, []).For(cones).Select(fix => fix.Label).ToArray();

        Assert.Contains("Borrow three cones", labels);
        Assert.Contains("Run Sprint gates alone after the circuit", labels);
    }

    [Fact]
    public void Under_tens_stay_five_minutes_with_one_thing_unless_the_coach_says_otherwise()
    {
        var plan = Plan(30, Drill("warm-hands", 6)) with { Age = 9 };

        Assert.Contains(PlanReport.Of(plan, AnyPlan.Shelf).Warnings, each => each.Code == WarningCode.LongDrill);
        Assert.DoesNotContain(
            PlanReport.Of(plan with { Age = 10 }, AnyPlan.Shelf).Warnings,
            each => each.Code == WarningCode.LongDrill
        );
        Assert.DoesNotContain(
            PlanReport.Of(plan with { Caps = new Caps(6, null, null) }, AnyPlan.Shelf).Warnings,
            each => each.Code == WarningCode.LongDrill
        );
    }

    [Fact]
    public void Minutes_are_shared_among_the_skills_of_a_drill()
    {
        var balance = Balance.Of([Plan(60, Drill("minute-trios", 4), Drill("three-gates", 6))], AnyPlan.Shelf);

        Assert.Equal([("shooting", 8.0), ("feeding", 2.0)], balance.Skills);
        Assert.Equal([0, 0, 10, 0, 0], balance.Efforts);
        Assert.NotNull(ShippedCard.Read("minute-trios"));
    }
}
