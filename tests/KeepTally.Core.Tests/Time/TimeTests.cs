using CsCheck;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Time;

public sealed class TimeTests
{
    private static readonly Gen<long> AnyMilliseconds = Gen.Long[-1_000_000_000_000, 1_000_000_000_000];

    [Fact]
    public void What_lies_between_two_instants_leads_from_one_to_the_other() =>
        Gen.Select(AnyMilliseconds, AnyMilliseconds)
            .Sample(
                (one, other) =>
                {
                    var (from, to) = (new Instant(one), new Instant(other));
                    Assert.Equal(to, from + (to - from));
                    Assert.Equal(from, to - (to - from));
                    Assert.Equal(from < to, to - from > Duration.Zero);
                    Assert.Equal(from < to ? to : from, Instant.Max(from, to));
                }
            );

    [Fact]
    public void Running_time_is_the_clocks_less_the_count_in_and_never_below_nought() =>
        Gen.Select(Gen.Long[0, 1_000_000], Gen.Long[0, 10_000])
            .Sample(
                (read, countIn) =>
                {
                    var span = new Duration(countIn);
                    var running = new ClockTime(read).After(span);
                    Assert.Equal(Math.Max(0, read - countIn), running.Milliseconds);
                    Assert.Equal(new ClockTime(Math.Max(read, countIn)), running.On(span));
                }
            );

    [Theory]
    [InlineData(0, 0, 0)]
    [InlineData(1, 0, 1)]
    [InlineData(999, 0, 1)]
    [InlineData(1000, 1, 1)]
    [InlineData(1001, 1, 2)]
    [InlineData(59_999, 59, 60)]
    public void Seconds_are_told_as_passed_or_as_begun(long milliseconds, long passed, long begun)
    {
        var span = new Duration(milliseconds);
        Assert.Equal((passed, begun), (span.WholeSeconds, span.SecondsBegun));
    }

    // Halves away from zero, as formats.md has it; 0.0005 s is half a millisecond.
    [Theory]
    [InlineData(0.0005, 1)]
    [InlineData(0.00049, 0)]
    [InlineData(12.3456, 12_346)]
    [InlineData(-0.0005, -1)]
    public void Seconds_become_whole_milliseconds(double seconds, long milliseconds) =>
        Assert.Equal(new Duration(milliseconds), Duration.FromSeconds(seconds));

    // 1970-01-01 is the epoch of Unix time (IEEE Std 1003.1, section 4.19, from memory); 2026-11-25T18:00:00Z by the calendar.
    [Fact]
    public void A_run_counts_from_its_origin_whatever_the_time_zone()
    {
        var origin = RunOrigin.From(new DateTimeOffset(2026, 11, 25, 18, 0, 0, TimeSpan.Zero));

        Assert.Equal(new Instant(90_000), origin.InstantAt(new DateTimeOffset(2026, 11, 25, 19, 1, 30, TimeSpan.FromHours(1))));
        Assert.Equal(0, RunOrigin.From(DateTimeOffset.UnixEpoch).UnixMilliseconds);
    }
}
