using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Shipped;

/// <summary>
/// Each family of scoring rules, played on the shipped card that stands for it. The rules and numbers are common
/// practice of the sports named on the cards.
/// </summary>
public sealed class FamilyTests
{
    [Theory]
    [InlineData("11", "a:clean*3 a:goal", 11)]
    [InlineData("15", "a:clean*5", 15)]
    [InlineData("21", "a:clean*7 a:miss", 21)]
    public void Points_by_quality_with_one_off_for_a_miss(string to, string taps, double points)
    {
        var bout = ShippedCard.Play("clean-or-not", 2, 0, ("to", to)).Tap("b:miss*2").Tap(taps);

        Assert.Equal((points, true), (bout["a"].Points, bout["a"].Done));
        Assert.Equal(-2, bout["b"].Points);
    }

    [Theory]
    [InlineData("30")]
    [InlineData("60")]
    [InlineData("90")]
    [InlineData("120")]
    public void One_against_the_clock_with_a_bonus_for_a_clean_one(string seconds)
    {
        var bout = ShippedCard.Play("beat-the-minute", 2, 0, ("time", seconds)).Tap("a:clean a:make a:miss");

        Assert.Equal((3.0, "a"), (bout["a"].Points, bout.Now.Turn?.Value));
        // The ball in the air at the horn is a's; b begins when the twenty seconds to change are over.
        Assert.Equal("a", bout.Wait(double.Parse(seconds, null) + 10).Now.Turn?.Value);
        Assert.Equal(4, bout.Tap("a:make")["a"].Points);
        Assert.Equal("b", bout.Wait(10).Now.Turn?.Value);
    }

    [Theory]
    [InlineData("both", 3, true)]
    [InlineData("fail", 3, true)]
    [InlineData("none", 3, false)]
    [InlineData("none", 7, true)]
    public void Five_of_seven_is_lost_at_the_third_miss_or_after_all_seven(string stop, int misses, bool lost)
    {
        // Source: the rule of thumb of design.md, "five in a window of seven is lost at the third miss".
        var bout = ShippedCard.Play("three-gates", 1, 0, ("stop", stop)).Tap($"a:miss*{misses}");

        Assert.Equal(lost ? 0 : misses, bout["a"].Window.Hits.Count);
        Assert.Equal(0, bout["a"].Cleared);
    }

    [Fact]
    public void Step_back_on_seven_of_ten_and_over_at_two_outs()
    {
        var bout = ShippedCard.Play("step-back-push", 1).Tap("a:make*7 a:miss*3");
        Assert.Equal((1, 8.0, 0), (bout["a"].Cleared, bout["a"].Reach, bout["a"].Outs));

        bout.Tap("a:make*6 a:miss*4");
        Assert.Equal((1, 1, false), (bout["a"].Rung, bout["a"].Outs, bout["a"].Done));
        Assert.True(bout.Tap("a:miss*10")["a"].Done);
    }

    [Fact]
    public void So_many_in_a_row_move_on_from_the_near_ring_to_the_far_with_a_par_time()
    {
        var bout = ShippedCard.Play("two-rings", 1).Tap("a:make*2 a:miss a:make*3");
        Assert.Equal(1, bout["a"].Cleared);

        bout.Tap("a:make*27");
        Assert.True(bout["a"].Done);
        Assert.Equal(360, bout.Live.Stage.Par!.Value);
        Assert.InRange(bout["a"].Running.TotalSeconds, 30, 360);
    }

    [Fact]
    public void Ten_makes_at_each_of_five_spots_three_times_round_are_a_hundred_and_fifty()
    {
        // Source: the rule of thumb of design.md, "five spots, ten makes, three sets is 150".
        var bout = ShippedCard.Play("ten-at-five", 1).Tap("a:miss*9 a:make*149");

        Assert.False(bout["a"].Done);
        Assert.True(bout.Tap("a:make")["a"].Done);
        Assert.Equal(150, bout["a"].Successes);
    }

    [Theory]
    [InlineData("zero", 1)]
    [InlineData("hold", 10)]
    public void Ten_in_a_row_where_a_fault_counts_back_or_does_not_count(string miss, int run)
    {
        var bout = ShippedCard.Play("ten-straight", 1, 0, ("miss", miss)).Tap("a:make*9 a:miss a:make");

        Assert.Equal((run, run == 10), (bout["a"].Streak, bout["a"].Done));
    }

    [Theory]
    [InlineData("corner-calls", 20)]
    [InlineData("long-short", 20)]
    [InlineData("three-lanes", 12)]
    [InlineData("serve-squares", 12)]
    public void Zones_are_asked_in_a_fixed_order_and_where_it_went_is_kept(string card, int balls)
    {
        // Source: the rule of thumb of design.md, "four zones for five rounds is twenty balls".
        var bout = ShippedCard.Play(card, 1);
        var asked = new List<string>();
        for (var i = 0; i < balls; i++)
        {
            Assert.False(bout["a"].Done);
            asked.Add(bout["a"].Asked!);
            bout.Say("a", null, i == 0 ? "none" : bout["a"].Asked);
        }

        var zones = bout.Live.Stage.Targets!.Zones;
        Assert.Equal(Enumerable.Range(0, balls).Select(i => zones[i % zones.Count]), asked);
        Assert.Equal((true, balls - 1), (bout["a"].Done, bout["a"].Successes));
        Assert.Contains(bout["a"].Zones.First(row => row.Key == zones[0]).Value, cell => cell.Key == "none");
    }

    [Theory]
    [InlineData("void", 1, 1)]
    [InlineData("failure", 2, 0)]
    public void No_finish_twice_running_and_the_sides_in_turn(string breach, int attempts, int voids)
    {
        var bout = ShippedCard.Play("never-twice", 1, 0, ("breach", breach));
        bout.Say("a", "make", null, null, ("finish", "lob"), ("side", "left"));
        bout.Say("a", "make", null, null, ("finish", "lob"), ("side", "right"));

        Assert.Equal((attempts, voids, 1.0), (bout["a"].Attempts, bout["a"].Voids, bout["a"].Points));
        bout.Say("a", "make", null, null, ("finish", "high"), ("side", breach == "void" ? "left" : "right"));
        Assert.Equal("The same side again (" + (breach == "void" ? "left" : "right") + "): this does not count.", bout.Why);
    }

    [Theory]
    [InlineData("11")]
    [InlineData("15")]
    [InlineData("21")]
    public void Two_sides_win_it_score_it_and_stop_it(string to)
    {
        var target = int.Parse(to, null);
        var bout = ShippedCard.Play("win-it-score-it", 2, 0, ("to", to)).Tap($"plain:rebound*{target - 2} plain:won-goal");

        Assert.Equal("plain", bout.Now.Winner?.Value);
        Assert.Equal(target, bout["plain"].Points);
    }

    [Fact]
    public void Server_against_receivers_with_one_one_three_and_five()
    {
        var bout = ShippedCard.Play("serve-siege").Tap(":good*4 :poor :lost :untouched");

        Assert.Equal((4.0, 9.0), (bout["receivers"].Points, bout["server"].Points));
        Assert.Equal("server", bout.Tap(":untouched :poor").Now.Winner?.Value);
    }

    [Fact]
    public void Defenders_in_timed_turns_lose_all_for_not_going_and_the_opponents_change_every_rally()
    {
        var bout = ShippedCard.Play("last-line", 5);
        var attacker = bout.Live.Floor.Now.At("attack")[0];
        var setter = bout.Live.Floor.Now.At("set")[0];
        bout.Tap("a:save");
        Assert.NotEqual(attacker, bout.Live.Floor.Now.At("attack")[0]);
        Assert.Equal(setter, bout.Live.Floor.Now.At("set")[0]);
        Assert.Equal(1, bout.Tap("a:rally a:error")["a"].Points);
        Assert.Equal(0, bout.Tap("a:save a:gave-up")["a"].Points);
        Assert.Equal("b", bout.Wait(65).Now.Turn?.Value);
        Assert.Equal(["b"], bout.Live.Floor.Now.At("defend").Select(id => id.Value));
    }

    [Theory]
    [InlineData("0", 0)]
    [InlineData("1", 1)]
    public void What_counts_is_a_house_rule(string choice, double points) =>
        Assert.Equal(points, ShippedCard.Play("last-line", 4, 0, ("touch", choice)).Tap("a:touched")["a"].Points);

    [Theory]
    [InlineData("1", "turnOver", "second", 1)]
    [InlineData("0", "turnOver", "second", 0)]
    [InlineData("0", "none", "first", 0)]
    public void An_attacker_against_a_held_back_defender(string steal, string miss, string ball, double stolen)
    {
        var bout = ShippedCard.Play("one-hand-behind", 2, 0, ("steal", steal), ("miss", miss)).Tap(":goal :miss");
        Assert.Equal((1.0, ball), (bout["first"].Points, bout.Now.Ball?.Value));

        var thief = ball == "first" ? "second" : "first";
        Assert.Equal(stolen + (thief == "first" ? 1 : 0), bout.Tap(":steal")[thief].Points);
        Assert.Equal(thief, bout.Now.Ball?.Value);
        Assert.Equal(ball, bout.Tap(":block").Now.Winner?.Value);
    }

    [Theory]
    [InlineData("7", 7)]
    [InlineData("3", 3)]
    public void It_goes_to_seven_or_to_three(string to, int goals) =>
        Assert.Equal("first", ShippedCard.Play("one-hand-behind", 2, 0, ("to", to)).Tap($":goal*{goals}").Now.Winner?.Value);

    [Fact]
    public void A_carrier_touches_lines_never_the_same_twice_running_and_a_foul_tackle_costs_one()
    {
        var bout = ShippedCard.Play("touch-lines");
        bout.Say("", "touch", null, null, ("line", "north")).Say("", "touch", null, null, ("line", "north"));
        bout.Say("", "touch", null, null, ("line", "east")).Tap(":tackle :foul :foul");

        Assert.Equal((2.0, 1), (bout["carrier"].Points, bout["carrier"].Voids));
        Assert.Equal(-1, bout["tackler"].Points);
    }

    [Fact]
    public void A_player_who_loses_the_ball_goes_into_the_middle()
    {
        var bout = ShippedCard.Play("square-thief", 5);
        Assert.Equal(["a"], bout.Live.Floor.Now.At("middle").Select(id => id.Value));

        bout.Tap("c:lost");
        Assert.Equal(["c"], bout.Live.Floor.Now.At("middle").Select(id => id.Value));
        Assert.Contains("a", bout.Live.Floor.Now.At("ring").Select(id => id.Value));
        Assert.Equal(["c"], bout.Tap("c:won").Live.Floor.Now.At("middle").Select(id => id.Value));
    }

    [Fact]
    public void Winners_leave_in_threes_and_the_last_goes_alone()
    {
        var bout = ShippedCard.Play("last-one-out", 3).Tap("b:won");
        Assert.Equal("B leaves, first.", bout.Why, ignoreCase: true);

        bout.Tap("b:won c:won a:won");
        Assert.Equal([1, 2, 3], new[] { "b", "c", "a" }.Select(unit => bout[unit].Place!.Value));
        Assert.Equal(("b", 1), (bout.Now.Winner?.Value, bout.Now.Late));
    }

    [Fact]
    public void A_relay_against_the_watch_takes_the_better_of_two_goes()
    {
        var bout = ShippedCard.Play("shuttle-relay", 2);
        bout.Say("", "home", null, 31.4).Say("", "home", null, 30.2).Say("", "home", null, 29.8).Say("", "home", null, 33.0);

        Assert.Equal(29.8, bout["a"].Readings.Best);
        Assert.Equal((true, "a"), (bout.Now.Done, bout.Now.Winner?.Value));
    }

    [Fact]
    public void Three_efforts_are_ranked_by_the_fewest_throws_for_a_chase()
    {
        var bout = ShippedCard.Play("tag-the-hare", 2);
        foreach (var throws in new[] { 9, 14, 12, 8, 15, 16 })
        {
            bout.Say("", "caught", null, throws);
        }

        Assert.Equal((12.0, 38.0 / 3), (bout["a"].Readings.Mean, bout["b"].Readings.Mean));
        Assert.Equal((true, "a"), (bout.Now.Done, bout.Now.Winner?.Value));
    }

    [Fact]
    public void A_dash_has_nine_seconds_and_counts_as_one()
    {
        var bout = ShippedCard.Play("three-ball-dash", 1);
        Assert.Equal(new Duration(9000), bout.Live.RepLeft(new Instant(5000)));
        Assert.Equal(new Duration(0), bout.Live.RepLeft(new Instant(15_000)));

        bout.Tap("a:two");
        Assert.Equal(new Duration(9000), bout.Live.RepLeft(new Instant(6000)));
        Assert.True(bout.Tap("a:three a:none a:one a:three")["a"].Done);
        Assert.Equal(9, bout["a"].Points);
    }

    [Fact]
    public void A_habit_is_done_late_or_forgotten_and_the_reminder_comes_first()
    {
        var bout = ShippedCard.Play("habit-pairs").Tap("a:done*2 a:late a:forgotten");

        Assert.Equal(5, bout["a"].Points);
        Assert.NotEmpty(bout.Live.Stage.Reminders);
    }

    [Fact]
    public void The_timing_of_an_approach_is_kept_by_combination_with_the_share_turned_into_an_attack()
    {
        var bout = ShippedCard.Play("approach-timing");
        bout.Say("a", "on", null, null, ("combination", "cross")).Say("a", "late", null, null, ("combination", "cross"));
        bout.Say("a", "none", null, null, ("combination", "screen")).Say("a", "on", null, null, ("combination", "screen"));

        var tags = bout["a"].Tags.Single().Values.ToDictionary(row => row.Key, row => row.Value);
        Assert.Equal(0.75, bout["a"].Accuracy);
        Assert.Equal([KeyValuePair.Create("on", 1), KeyValuePair.Create("late", 1)], tags["cross"]);
        Assert.Equal([KeyValuePair.Create("on", 1), KeyValuePair.Create("none", 1)], tags["screen"]);
    }

    [Fact]
    public void Two_halves_of_four_minutes_have_one_between_and_a_drop_turns_it_over()
    {
        var bout = ShippedCard.Play("two-halves").Tap(":drop :point");
        Assert.Equal((1.0, "plain"), (bout["striped"].Points, bout.Now.Ball?.Value));

        var timeline = bout.Live.Timeline!;
        Assert.Equal(
            [IntervalKind.CountIn, IntervalKind.Work, IntervalKind.Break, IntervalKind.Work, IntervalKind.Over],
            timeline.Intervals.Select(interval => interval.Kind)
        );
        Assert.Equal(new ClockTime(9 * 60_000), timeline.Intervals[^1].Start - timeline.Plan.CountIn);
    }

    [Fact]
    public void A_rally_together_counts_its_longest_run_and_its_errors_in_order_of_harm()
    {
        var bout = ShippedCard.Play("keep-it-up", 1).Tap("a:hit*6 a:short a:hit*3 a:long");

        Assert.Equal((6, -4.0), (bout["a"].BestStreak, bout["a"].Points));
        Assert.Equal(["hit", "short", "wide", "long"], bout["a"].Counts.Select(count => count.Key));
    }

    [Fact]
    public void The_signal_comes_in_its_span_of_every_round_and_both_sides_play_it_out()
    {
        var bout = ShippedCard.Play("circle-and-go").Tap("plain:ball plain:goal");
        var timeline = bout.Live.Timeline!;

        Assert.Equal(2, bout["plain"].Points);
        foreach (var work in timeline.Intervals.Where(interval => interval.Kind == IntervalKind.Work))
        {
            Assert.InRange((timeline.SurpriseIn(work.Round)!.Value - work.Start).TotalSeconds, 8, 20);
        }
    }

    [Fact]
    public void One_card_goes_from_controlled_to_live_to_scored()
    {
        var card = ShippedCard.Read("three-steps-crossing");
        Assert.Equal([Cards.Scorer.None, Cards.Scorer.None, Cards.Scorer.Side], card.Stages.Select(stage => stage.Scores));

        var scored = ShippedCard.Play("three-steps-crossing", 2, 2).Tap(":goal :stop :shot");
        Assert.Equal((3.0, 2.0), (scored["attack"].Points, scored["defence"].Points));
        Assert.Equal(1, ShippedCard.Play("three-steps-crossing", 1, 0).Tap("a:right")["a"].Counts[0].Value);
    }

    [Fact]
    public void Places_move_on_with_the_turn_however_it_passes()
    {
        var bout = ShippedCard.Play("saved-or-scored", 3).Tap("a:held*9");
        Assert.Equal(["a"], bout.Live.Floor.Now.At("goal").Select(id => id.Value));

        Assert.Equal(["b"], bout.Tap("a:goal").Live.Floor.Now.At("goal").Select(id => id.Value));
        Assert.Equal(["c"], bout.Turn().Live.Floor.Now.At("goal").Select(id => id.Value));
        Assert.Equal(["c"], bout.Turn("a").Live.Floor.Now.At("goal").Select(id => id.Value));
    }

    [Fact]
    public void Each_side_comes_from_its_own_line_after_a_drop()
    {
        var card = ShippedCard.Read("two-halves");
        Member[] Eight(string side) =>
            [.. Enumerable.Range(1, 4).Select(n => new Member(new PlayerId($"{side}{n}"), $"{side} {n}"))];
        var live = Sheet
            .Open(
                card,
                new LogHead(
                    card.Id,
                    0,
                    card.Chosen,
                    [new(new PlayerId("plain"), "Plain", Eight("p")), new(new PlayerId("striped"), "Striped", Eight("s"))]
                )
            )
            .Require();
        Assert.Equal("p1 p2 p3, s4", Standing());

        live.Add(new RunEvent.Start(new EventId(new DeviceId("t"), 1), new Instant(0)));
        live.Add(new RunEvent.Tap(new EventId(new DeviceId("t"), 2), new Instant(9000), null, "drop", null, null, null));
        Assert.Equal("p4 p1 p2, s3", Standing());

        string Standing() =>
            $"{string.Join(' ', live.Floor.Now.At("plain"))}, {string.Join(' ', live.Floor.Now.At("striped-line"))}";
    }

    [Theory]
    [InlineData("back", 1)]
    [InlineData("first", 0)]
    [InlineData("retry", 2)]
    public void A_lost_window_sends_one_back_to_the_first_or_nowhere(string fail, int rung) =>
        Assert.Equal(rung, ShippedCard.Play("climb-the-net", 1, 0, ("fail", fail)).Tap("a:make*4 a:miss*2")["a"].Rung);

    [Fact]
    public void The_winner_stays_on_and_the_loser_goes_to_the_tail()
    {
        var bout = ShippedCard.Play("stay-on", 4).Tap("a:goal c:goal");

        Assert.Equal(["c", "d"], bout.Live.Floor.Now.At("duel").Select(id => id.Value).Order());
        Assert.Equal(["b", "a"], bout.Live.Floor.Now.At("queue").Select(id => id.Value));
        Assert.Equal((1.0, 1.0), (bout["a"].Points, bout["c"].Points));
    }

    [Fact]
    public void Four_rounds_one_way_and_four_the_other_end_where_they_began()
    {
        var card = ShippedCard.Read("round-and-back");
        Member[] players =
        [
            new(new PlayerId("a"), "A"),
            new(new PlayerId("b"), "B"),
            new(new PlayerId("c"), "C"),
            new(new PlayerId("d"), "D"),
            new(new PlayerId("e"), "E"),
        ];
        var live = Sheet.Open(card, new LogHead(card.Id, 0, card.Chosen, [new Unit(new PlayerId("g"), "G", players)])).Require();
        live.Add(new RunEvent.Start(new EventId(new DeviceId("t"), 1), new Instant(0)));
        var corners = new List<string>();
        for (var round = 0; round < 8; round++)
        {
            corners.Add(live.Floor.Now.Of(new PlayerId("a"))!.Id);
            foreach (var due in live.Due(new Instant(5000 + (33_000 * round) + 33_000)).ToArray())
            {
                live.Add(due);
            }
        }

        Assert.Equal(["near-left", "far-left", "far-right", "near-right", "wait", "near-right", "far-right", "far-left"], corners);
    }
}
