using KeepTally.Core.Chance;
using KeepTally.Core.Time;

namespace KeepTally.Core.Clock;

/// <summary>
/// What the clock of a stage says at any moment of its running time. Computed from the plan alone: the same moment always
/// gives the same answer, however late it is asked. Source: docs/formats.md, section 3.
/// </summary>
public sealed class Timeline
{
    /// <summary>Before work begins again, this much of a change-over or break is called too.</summary>
    private static readonly Duration CalledBeforeWork = Duration.FromSeconds(3);

    private readonly Interval[] _intervals;
    private readonly Dictionary<int, ClockTime> _surprises;

    /// <param name="plan">The plan of the clock.</param>
    /// <param name="seed">What the moments of surprise signals are drawn from: the same seed, the same moments.</param>
    public Timeline(ClockPlan plan, int seed = 0)
    {
        Plan = plan;
        _intervals = [.. Build(plan)];
        _surprises = _intervals
            .Where(interval => interval.Kind == IntervalKind.Work && plan.Surprise is not null)
            .ToDictionary(interval => interval.Round, interval => Draw(plan.Surprise!, interval, seed));
    }

    /// <summary>The plan it was made from.</summary>
    public ClockPlan Plan { get; }

    /// <summary>Every interval in order, without gaps; the last is <see cref="IntervalKind.Over"/> and has no end.</summary>
    public IReadOnlyList<Interval> Intervals => _intervals;

    /// <summary>The moment of the surprise signal in a round of work, or null where the plan has none.</summary>
    public ClockTime? SurpriseIn(int round) => _surprises.TryGetValue(round, out var at) ? at : null;

    /// <summary>The interval that holds a moment. An interval begins with its first millisecond and ends before its last.</summary>
    public Interval At(ClockTime elapsed)
    {
        foreach (var interval in _intervals)
        {
            if (elapsed < interval.End)
            {
                return interval;
            }
        }

        return _intervals[^1];
    }

    /// <summary>The interval after this one; <see cref="IntervalKind.Over"/> follows itself.</summary>
    public Interval After(Interval interval) =>
        _intervals[Math.Min(Array.IndexOf(_intervals, interval) + 1, _intervals.Length - 1)];

    /// <summary>
    /// Every signal later than <paramref name="from"/> and not later than <paramref name="to"/>, in order: asking for
    /// one span after another gives each signal exactly once. The first span begins before 0, so that a start without
    /// count-in is heard.
    /// </summary>
    /// <param name="from">The start of the span.</param>
    /// <param name="to">The end of the span.</param>
    /// <param name="calls">Where a coach has the time left of work called at moments of their own; null for the plan's.</param>
    public IEnumerable<Signal> Signals(ClockTime from, ClockTime to, IReadOnlyList<Duration>? calls = null)
    {
        foreach (var interval in _intervals)
        {
            if (interval.Start > to)
            {
                yield break;
            }

            if (interval.Start > from && interval.Kind != IntervalKind.CountIn)
            {
                yield return new Signal(
                    interval.Start,
                    interval.Kind is IntervalKind.Work ? SignalKind.Go : SignalKind.Horn,
                    Duration.Zero,
                    interval
                );
            }

            if (interval.Kind == IntervalKind.Work && SurpriseIn(interval.Round) is { } moment && moment > from && moment <= to)
            {
                yield return new Signal(moment, SignalKind.Surprise, interval.End - moment, interval);
            }

            foreach (var left in CallsIn(interval, calls))
            {
                var at = interval.End - left;
                if (at > from && at <= to)
                {
                    yield return new Signal(at, SignalKind.Call, left, interval);
                }
            }
        }
    }

    /// <summary>
    /// The rounds that are wholly over at a moment, each with the moment the work of the next begins: until then the last
    /// ball of a round is still played.
    /// </summary>
    public IEnumerable<(int Round, ClockTime At)> RoundsOver(ClockTime elapsed) =>
        _intervals
            .Where(interval => interval is { Kind: IntervalKind.Work, Round: > 1 } && interval.Start <= elapsed)
            .Select(interval => (interval.Round - 1, interval.Start));

    /// <summary>The moment at which the next work begins after a moment; <see cref="ClockTime.Never"/> where none is left.</summary>
    public ClockTime NextWork(ClockTime elapsed)
    {
        foreach (var interval in _intervals)
        {
            if (interval.Kind == IntervalKind.Work && interval.Start > elapsed)
            {
                return interval.Start;
            }
        }

        return ClockTime.Never;
    }

    /// <summary>The spans before the end of an interval at which its time left is called, longest first.</summary>
    /// <param name="interval">The interval.</param>
    /// <param name="calls">Where a coach has the time left of work called at moments of their own; null for the plan's.</param>
    public IEnumerable<Duration> CallsIn(Interval interval, IReadOnlyList<Duration>? calls = null) =>
        interval.Kind switch
        {
            IntervalKind.Work => (calls ?? Plan.Calls).Where(left => left > Duration.Zero && left < interval.Length),
            IntervalKind.CountIn => WholeSeconds(interval.Length),
            IntervalKind.Change or IntervalKind.Break => WholeSeconds(Duration.Min(CalledBeforeWork, interval.Length)),
            IntervalKind.Over => [],
        };

    /// <summary>A moment of the surprise's span, from the round's own draw; a span that reaches past the work ends with it.</summary>
    private static ClockTime Draw(Surprise surprise, Interval work, int seed)
    {
        var latest = Duration.Min(surprise.Max, work.Length - Duration.Millisecond);
        var earliest = Duration.Min(surprise.Min, latest);
        var choices = (latest - earliest + Duration.Millisecond).Milliseconds;
        return work.Start + earliest + new Duration(new SeededDraw(seed, work.Round).Below(choices));
    }

    private static IEnumerable<Duration> WholeSeconds(Duration span)
    {
        for (var left = span.WholeSeconds; left > 0; left--)
        {
            yield return Duration.FromSeconds(left);
        }
    }

    private static IEnumerable<Interval> Build(ClockPlan plan)
    {
        var at = ClockTime.Zero;
        Interval Next(IntervalKind kind, int round, Duration length)
        {
            var interval = new Interval(kind, round, at, at + length);
            at += length;
            return interval;
        }

        if (plan.CountIn > Duration.Zero)
        {
            yield return Next(IntervalKind.CountIn, 1, plan.CountIn);
        }

        for (var round = 1; round <= plan.Rounds; round++)
        {
            yield return Next(IntervalKind.Work, round, plan.WorkOf(round));
            if (plan.BreakOf(round) > Duration.Zero)
            {
                yield return Next(IntervalKind.Break, round, plan.BreakOf(round));
            }

            if (round < plan.Rounds && plan.ChangeAfter(round) > Duration.Zero)
            {
                yield return Next(IntervalKind.Change, round, plan.ChangeAfter(round));
            }
        }

        yield return new Interval(IntervalKind.Over, plan.Rounds, at, ClockTime.Never);
    }
}
