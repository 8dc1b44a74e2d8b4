using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Screen;

/// <summary>
/// What a frame asks of the clock, many times a second: how much of the interval is left, and whether anything else on the
/// clock reads differently than at the last frame. It builds no words and no report.
/// </summary>
public sealed class ClockPulse(LivePractice practice)
{
    private ClockReading _last;

    /// <summary>The share of the interval that is left, from 0 to 1; -1 where the clock's text has changed, or all drills are over.</summary>
    public double At(Instant at)
    {
        var block = practice.Current;
        if (block >= practice.Runs.Count)
        {
            return -1;
        }

        var reading = ClockReading.Of(practice.Runs[block], at, out var share);
        if (reading == _last)
        {
            return share;
        }

        _last = reading;
        return -1;
    }
}
