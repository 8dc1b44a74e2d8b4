using KeepTally.Core.Clock;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Screen;

/// <summary>
/// What the words of a clock are made from. As long as it is the same, so are the words; it is worked out without any, since
/// it is asked for many times a second.
/// </summary>
/// <param name="Lead">The sheet whose clock is shown.</param>
/// <param name="Timeline">Another one once coaches have changed it.</param>
/// <param name="Started">True once the clock was started.</param>
/// <param name="Paused">True while the clock is paused.</param>
/// <param name="Frozen">The reason of the stop; null while nobody has stopped the drill.</param>
/// <param name="Done">True once the clock has run out.</param>
/// <param name="Interval">The interval.</param>
/// <param name="Seconds">Whole seconds as they are read: left, or where there is no timeline, run.</param>
/// <param name="Rep">Whole seconds left of the rep; -1 where there are none.</param>
internal readonly record struct ClockReading(
    Sheet Lead,
    Timeline? Timeline,
    bool Started,
    bool Paused,
    string? Frozen,
    bool Done,
    Interval Interval,
    long Seconds,
    long Rep
)
{
    /// <summary>Reads the clock of a drill; what is left of the interval, from 0 to 1, comes beside it.</summary>
    internal static ClockReading Of(LiveRun run, Instant at, out double share)
    {
        var lead = run.Lead(at);
        var (kept, timeline) = (lead.Score, lead.Timeline);
        var elapsed = kept.ClockTimeAt(at);
        var interval = timeline?.At(elapsed) ?? default;
        var left = timeline is null || interval.Kind == IntervalKind.Over ? Duration.Zero : interval.End - elapsed;
        share =
            timeline is null || !kept.Clock.IsStarted ? 1
            : left > Duration.Zero ? left / interval.Length
            : 0;
        return new ClockReading(
            lead,
            timeline,
            kept.Clock.IsStarted,
            run.IsPaused,
            kept.FrozenFor,
            run.IsDone(at),
            interval,
            timeline is null ? (elapsed - ClockTime.Zero).WholeSeconds : left.SecondsBegun,
            lead.RepLeft(at) is { } rep ? rep.SecondsBegun : -1
        );
    }
}
