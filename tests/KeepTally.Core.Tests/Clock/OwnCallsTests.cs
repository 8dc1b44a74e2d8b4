using KeepTally.Core.Clock;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Clock;

/// <summary>The time left is called at seconds of one's own.</summary>
public sealed class OwnCallsTests
{
    [Theory]
    [InlineData("30 10 60", "60 30 10")]
    [InlineData("5, 5; 2.5", "5 2.5")]
    public void Seconds_are_read_longest_first_each_once(string typed, string calls) =>
        Assert.Equal(
            calls,
            string.Join(
                ' ',
                OwnCalls
                    .Read(typed)
                    .Require()
                    .Select(call => call.TotalSeconds.ToString(System.Globalization.CultureInfo.InvariantCulture))
            )
        );

    [Fact]
    public void Nothing_typed_is_as_the_card_says() => Assert.Empty(OwnCalls.Read("  ").Require());

    [Theory]
    [InlineData("10 soon", "soon")]
    [InlineData("0", "0")]
    [InlineData("-5", "-5")]
    [InlineData("7200", "7200")]
    [InlineData("1 2 3 4 5 6 7 8 9 10 11 12 13 14 15 16 17 18 19 20 21", "too many")]
    public void What_is_no_number_of_seconds_is_told(string typed, string told) =>
        Assert.Contains(told, OwnCalls.Read(typed).Faults.Single().Problem, StringComparison.Ordinal);

    [Fact]
    public void They_stand_in_place_of_the_cards_and_only_while_there_is_work()
    {
        var timeline = new Timeline(ShippedCard.Read("minute-trios").Stages[0].Clock!);
        var first = timeline.Intervals.First(interval => interval.Kind == IntervalKind.Work);
        var own = OwnCalls.Read("20 7 300").Require();
        var work = timeline
            .Signals(first.Start, first.End - Duration.Millisecond, own)
            .Where(signal => signal.Kind == SignalKind.Call)
            .Select(signal => signal.Left.TotalSeconds);
        Assert.Equal([20.0, 7], work);
        Assert.Equal([3.0, 2, 1], timeline.CallsIn(timeline.After(first), own).Select(call => call.TotalSeconds));
    }
}
