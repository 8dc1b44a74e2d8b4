using KeepTally.Core.Json;
using KeepTally.Core.Time;

namespace KeepTally.Core.Clock;

internal static class ClockReader
{
    internal const double LongestSeconds = 24 * 3600;

    internal static ClockPlan Read(JsonPlace place)
    {
        place.Only("work", "change", "rounds", "countIn", "calls", "breakAfter", "surprise", "rep", "repFrom");
        var work = place.Need("work", "the seconds of one work interval") is { } found
            ? Span(found, 0.001)
            : Duration.FromSeconds(1);
        var rounds = place.Find("rounds")?.Whole(1, 1000) ?? 1;
        return new ClockPlan(
            work,
            SpanOr(place, "change"),
            rounds,
            SpanOr(place, "countIn"),
            [.. place.List("calls", call => Span(call, 0)).Distinct().OrderDescending()],
            Break(place, rounds),
            SurpriseOf(place),
            place.Find("rep") is { } rep ? Span(rep, 0.001) : null
        )
        {
            RepFrom = ClockChoices.RepStarts.ReadFrom(place),
        };
    }

    /// <summary>Seconds as whole milliseconds.</summary>
    internal static Duration Span(JsonPlace place, double leastSeconds) =>
        Duration.FromSeconds(place.Number(leastSeconds, LongestSeconds));

    private static Duration SpanOr(JsonPlace place, string name) => place.Find(name) is { } found ? Span(found, 0) : Duration.Zero;

    private static LongBreak? Break(JsonPlace clock, int rounds)
    {
        if (clock.Find("breakAfter") is not { } place)
        {
            return null;
        }

        place.Only("round", "seconds");
        if (rounds < 2)
        {
            place.Wrong("a single round has no break", "write rounds: 2 or more, or take the break out");
        }

        return new LongBreak(
            place.Need("round", "after which round, from 1")?.Whole(1, Math.Max(1, rounds - 1)) ?? 1,
            SpanOr(place, "seconds")
        );
    }

    private static Surprise? SurpriseOf(JsonPlace clock)
    {
        if (clock.Find("surprise") is not { } place)
        {
            return null;
        }

        place.Only("min", "max");
        var span = new Surprise(SpanOr(place, "min"), SpanOr(place, "max"));
        if (span.Min > span.Max)
        {
            place.Wrong("min is later than max", "write min ≤ max");
        }

        return span;
    }
}
