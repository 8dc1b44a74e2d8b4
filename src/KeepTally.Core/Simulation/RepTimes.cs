using KeepTally.Core.Clock;
using KeepTally.Core.Time;

namespace KeepTally.Core.Simulation;

/// <summary>When reps happen: every pace while there is work, until the time is up. Worked out once for all runs.</summary>
/// <param name="timeline">The intervals of the clock.</param>
/// <param name="ends">The time after which nothing happens; null where there is none.</param>
/// <param name="pace">The time a rep takes.</param>
internal sealed class RepTimes(Timeline? timeline, Duration? ends, Duration pace)
{
    private readonly List<Instant> _times = [];
    private long _next = 1;

    /// <summary>When the time is up, where it ever is.</summary>
    internal Instant End => Instant.Origin + (ends ?? Duration.Zero);

    /// <summary>When the rep of a number from 0 happens; null where the time is up before.</summary>
    internal Instant? At(int rep)
    {
        while (_times.Count <= rep)
        {
            var after = new Duration(_next * pace.Milliseconds);
            if (ends is { } end && after > end)
            {
                return null;
            }

            _next++;
            if (IsWork(after))
            {
                _times.Add(Instant.Origin + after);
            }
        }

        return _times[rep];
    }

    /// <summary>The last ball of an interval is played with its horn; the first ends only after it has begun.</summary>
    private bool IsWork(Duration after) =>
        timeline is null || timeline.At(ClockTime.Zero + (after - Duration.Millisecond)).Kind is IntervalKind.Work;
}
