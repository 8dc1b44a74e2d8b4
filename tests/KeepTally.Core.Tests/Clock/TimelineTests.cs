using CsCheck;
using KeepTally.Core.Clock;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Clock;

public sealed class TimelineTests
{
    private static ClockPlan Plan(
        long work,
        long change = 0,
        int rounds = 1,
        long countIn = 0,
        long[]? calls = null,
        LongBreak? rest = null
    ) =>
        new(
            new Duration(work),
            new Duration(change),
            rounds,
            new Duration(countIn),
            [.. (calls ?? []).Select(call => new Duration(call))],
            rest,
            null,
            null
        );

    private static readonly Gen<ClockPlan> AnyPlan = Gen.Select(
            Gen.Long[1, 300_000],
            Gen.Long[0, 60_000],
            Gen.Int[1, 12],
            Gen.Long[0, 10_000],
            Gen.Long[1, 90_000].Array[0, 6]
        )
        .Select(drawn => Plan(drawn.Item1, drawn.Item2, drawn.Item3, drawn.Item4, [.. drawn.Item5.Distinct().OrderDescending()]));

    [Fact]
    public void Four_stations_of_three_and_a_half_minutes_are_fourteen_minutes_and_the_changes() =>
        // Common practice: 4 × 3.5 min = 14 min, and three changes of 30 s.
        Assert.Equal(new Duration(14 * 60_000 + (3 * 30_000)), Plan(210_000, 30_000, 4).Total);

    [Fact]
    public void Two_halves_of_four_minutes_with_one_minute_between_are_nine_minutes() =>
        Assert.Equal(new Duration(9 * 60_000), Plan(240_000, 0, 2, rest: new LongBreak(1, new Duration(60_000))).Total);

    /// <summary>Worked by hand: 5 s counted in, then a minute of work and 15 s to change, three times.</summary>
    [Theory]
    [InlineData(0, 5_000L)]
    [InlineData(4_999, 5_000L)]
    [InlineData(5_000, 80_000L)]
    [InlineData(79_999, 80_000L)]
    [InlineData(80_000, 155_000L)]
    [InlineData(155_000, null)]
    public void The_next_work_is_the_one_that_begins_after_a_moment_and_not_at_it(long at, long? next) =>
        Assert.Equal(
            next is { } begins ? new ClockTime(begins) : ClockTime.Never,
            new Timeline(Plan(60_000, 15_000, 3, 5_000)).NextWork(new ClockTime(at))
        );

    /// <summary>
    /// Time added or taken, docs/formats.md, section 3, worked by hand: work is from 5 to 65, from 80 to 140 and from 155 to 215
    /// seconds.
    /// </summary>
    [Theory]
    [InlineData(30, 20, 1, 85)]
    [InlineData(30, -20, 1, 45)]
    [InlineData(30, -60, 1, 30)] // no sooner than now
    [InlineData(2, -80, 1, 5)] // in the count-in no sooner than it begins
    [InlineData(65, 20, 1, 85)]
    [InlineData(65, -20, 1, 65)] // what is over is not made shorter
    [InlineData(70, 20, 1, 90)] // in the change it goes on from now
    [InlineData(70, -20, 1, 65)]
    [InlineData(80, 20, 2, 160)]
    [InlineData(79, 20, 1, 99)]
    [InlineData(300, 20, 3, 320)]
    public void Work_is_made_longer_or_shorter_from_where_the_clock_is(int now, int by, int round, int end)
    {
        var plan = Plan(60_000, 15_000, 3, 5_000);
        var after = plan.Longer(new ClockTime(now * 1000L), Duration.FromSeconds(by));
        Assert.Equal(new ClockTime(end * 1000L), after.WorkEnd(round));
        Assert.All(
            Enumerable.Range(1, 3).Where(other => other != round),
            other => Assert.Equal(plan.WorkOf(other), after.WorkOf(other))
        );
    }

    [Theory]
    [InlineData(1, true)]
    [InlineData(3, true)]
    [InlineData(0, false)]
    [InlineData(4, false)]
    public void A_break_comes_after_a_round_that_has_another_after_it(int after, bool reads)
    {
        var read = KeepTally.Core.Formats.CardReader.Read(
            $$$$"""{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"outcomes":{{{{Given.MakeAndMiss}}}},"clock":{"work":60,"rounds":4,"breakAfter":{"round":{{{{after}}}},"seconds":60}}}]}"""
        );
        Assert.Equal(reads, read.IsOk);
        Assert.Equal(!reads, read.Faults.Any(fault => fault.Path == "stages[0].clock.breakAfter.round"));
    }

    [Fact]
    public void Intervals_follow_without_gaps_and_add_up_to_the_total() =>
        AnyPlan.Sample(plan =>
        {
            var intervals = new Timeline(plan).Intervals;

            Assert.Equal(new ClockTime(0), intervals[0].Start);
            Assert.All(intervals.Zip(intervals.Skip(1)), pair => Assert.Equal(pair.First.End, pair.Second.Start));
            Assert.Equal((IntervalKind.Over, ClockTime.Zero + plan.Total), (intervals[^1].Kind, intervals[^1].Start));
        });

    [Fact]
    public void Every_moment_lies_in_the_interval_it_is_given() =>
        Gen.Select(AnyPlan, Gen.Double[0, 1.2])
            .Sample(
                (plan, share) =>
                {
                    var moment = new ClockTime((long)(plan.Total.Milliseconds * share));
                    var interval = new Timeline(plan).At(moment);
                    Assert.True(interval.Start <= moment && moment < interval.End);
                }
            );

    [Fact]
    public void However_a_span_is_cut_every_signal_comes_once() =>
        Gen.Select(AnyPlan, Gen.Double[0, 1].Array[0, 20])
            .Sample(
                (plan, cuts) =>
                {
                    var timeline = new Timeline(plan);
                    var whole = timeline
                        .Signals(new ClockTime(-1), ClockTime.Zero + plan.Total)
                        .OrderBy(signal => signal.At)
                        .ThenBy(signal => signal.Kind)
                        .ToArray();
                    var total = plan.Total.Milliseconds;
                    long[] ends = [-1, .. cuts.Order().Select(cut => (long)(cut * total)), total];
                    var pieces = ends.Zip(ends.Skip(1))
                        .SelectMany(span => timeline.Signals(new ClockTime(span.First), new ClockTime(span.Second)));

                    Assert.Equal(whole, pieces.OrderBy(signal => signal.At).ThenBy(signal => signal.Kind));
                }
            );

    [Fact]
    public void The_last_five_seconds_of_work_are_called_and_then_the_horn()
    {
        var received = new Timeline(Plan(60_000, calls: [30_000, 10_000, 5000, 4000, 3000, 2000, 1000])).Signals(
            new ClockTime(54_000),
            new ClockTime(60_000)
        );

        Assert.Equal([5000, 4000, 3000, 2000, 1000, 0], received.Select(signal => signal.Left.Milliseconds));
    }

    [Fact]
    public void Running_time_under_random_pauses_is_the_wall_time_less_the_pauses() =>
        Gen.Select(Gen.Int[1, 60_000], Gen.Int[1, 60_000])
            .Array[0, 30]
            .Sample(stretches =>
            {
                var clock = new RunClock();
                clock.Start(new Instant(1000));
                var (wall, ran) = (1000L, 0L);
                foreach (var (run, pause) in stretches)
                {
                    wall += run;
                    ran += run;
                    clock.Pause(new Instant(wall));
                    Assert.Equal(new ClockTime(ran), clock.At(new Instant(wall + (pause / 2))));
                    wall += pause;
                    clock.Resume(new Instant(wall));
                }

                Assert.Equal(new ClockTime(ran + 777), clock.At(new Instant(wall + 777)));
                Assert.Equal(new Instant(wall + 777), clock.InstantOf(new ClockTime(ran + 777)));
            });

    [Fact]
    public void A_moment_of_running_time_is_found_again_on_the_wall_clock() =>
        Gen.Select(Gen.Int[1, 5000].Array[2, 20], Gen.Double[0, 1])
            .Sample(
                (spans, share) =>
                {
                    var clock = new RunClock();
                    clock.Start(new Instant(0));
                    var wall = 0L;
                    for (var i = 0; i + 1 < spans.Length; i += 2)
                    {
                        clock.Pause(new Instant(wall += spans[i]));
                        clock.Resume(new Instant(wall += spans[i + 1]));
                    }

                    var moment = (long)(share * clock.At(new Instant(wall)).Milliseconds);
                    var found = clock.InstantOf(new ClockTime(moment)).Milliseconds;
                    Assert.True(found <= wall);
                    Assert.Equal(moment, spans.Length < 2 ? 0 : RanBy(spans, found));
                }
            );

    /// <summary>Running time by adding up the stretches, apart from the clock's own arithmetic.</summary>
    private static long RanBy(int[] spans, long wall)
    {
        var (at, ran) = (0L, 0L);
        for (var i = 0; i < spans.Length && at < wall; i++)
        {
            var span = Math.Min(spans[i], wall - at);
            ran += i % 2 == 0 ? span : 0;
            at += span;
        }

        return ran;
    }
}
