using CsCheck;
using KeepTally.Core.Chance;
using KeepTally.Core.Clock;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Clock;

public sealed class SurpriseTests
{
    [Fact]
    public void The_draw_is_the_published_one()
    {
        // Source: the first numbers of the reference splitmix64.c for the seed 1234567 (from memory).
        var draw = new SeededDraw(1234567);
        Assert.Equal(
            [6457827717110365317, 3203168211198807973, 9817491932198370423, 4593380528125082431, 16408922859458223821],
            Enumerable.Range(0, 5).Select(_ => draw.Next())
        );
    }

    [Fact]
    public void Every_round_has_one_signal_in_its_span_and_the_same_seed_the_same_moments() =>
        Gen.Select(Gen.Int[0, int.MaxValue], Gen.Int[0, 20_000], Gen.Int[0, 20_000], Gen.Int[1, 6])
            .Sample(
                (seed, from, span, rounds) =>
                {
                    var plan = new ClockPlan(
                        new Duration(15_000),
                        new Duration(2_000),
                        rounds,
                        new Duration(3_000),
                        [],
                        null,
                        new Surprise(new Duration(from), new Duration(from + span)),
                        null
                    );
                    var timeline = new Timeline(plan, seed);
                    var signals = timeline
                        .Signals(new ClockTime(-1), ClockTime.Zero + plan.Total)
                        .Where(signal => signal.Kind == SignalKind.Surprise)
                        .ToArray();

                    Assert.Equal(rounds, signals.Length);
                    Assert.Equal(
                        signals.Select(signal => signal.At),
                        new Timeline(plan, seed)
                            .Signals(new ClockTime(-1), ClockTime.Zero + plan.Total)
                            .Where(each => each.Kind == SignalKind.Surprise)
                            .Select(each => each.At)
                    );
                    Assert.All(
                        signals,
                        signal =>
                        {
                            Assert.True(signal.Interval.Start <= signal.At && signal.At < signal.Interval.End);
                            Assert.True(signal.At - signal.Interval.Start <= new Duration(from + span));
                        }
                    );
                }
            );

    [Fact]
    public void The_moments_of_many_seeds_are_spread_evenly()
    {
        var plan = new ClockPlan(
            new Duration(30_000),
            new Duration(0),
            1,
            new Duration(0),
            [],
            null,
            new Surprise(new Duration(10_000), new Duration(20_000)),
            null
        );
        var moments = Enumerable.Range(1, 20_000).Select(seed => new Timeline(plan, seed).SurpriseIn(1)!.Value).ToArray();

        // The mean of an even spread over 10 s has a standard error of 10 s / sqrt(12 n), here 20 ms: five of them.
        Assert.InRange(moments.Average(moment => moment.Milliseconds), 14_900, 15_100);
        Assert.Equal(10, moments.Select(moment => (moment.Milliseconds - 10_000) / 1001).Distinct().Count());
    }
}
