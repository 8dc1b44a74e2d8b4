using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Circuits;

/// <summary>
/// What the clock of a circuit calls for at a stop: it opens with the work of its round; its clock stands when that is over, and
/// it closes when the next work begins: the last ball counts. The ids are the circuit's own, so that every device says the same.
/// </summary>
public static class CircuitClock
{
    private static readonly EventId Opens = new(EventId.CircuitDevice, 0);
    private static readonly EventId Stands = new(EventId.CircuitDevice, 1);
    private static readonly EventId Closes = new(EventId.CircuitDevice, 2);

    /// <summary>Whether the clock of a stop stands since the work of its round is over.</summary>
    public static bool HasStood(EventLog log) => log.Holds(Stands);

    /// <summary>Returns the clock events due by a moment that the stop's sheet does not have yet.</summary>
    /// <param name="clock">The clock of the circuit.</param>
    /// <param name="timeline">Its timeline.</param>
    /// <param name="log">The log of the stop's sheet.</param>
    /// <param name="round">The round of the stop, from 1.</param>
    /// <param name="at">The moment.</param>
    public static IEnumerable<RunEvent> Due(RunClock clock, Timeline timeline, EventLog log, int round, Instant at)
    {
        if (!clock.IsStarted)
        {
            yield break;
        }

        var elapsed = clock.At(at);
        foreach (var work in timeline.Intervals.Where(each => each.Kind == IntervalKind.Work && each.Start <= elapsed))
        {
            if (work.Round == round && !log.Holds(Opens))
            {
                yield return new RunEvent.Start(Opens, clock.InstantOf(work.Start));
            }

            if (work.Round == round && work.End <= elapsed && !log.Holds(Stands))
            {
                yield return new RunEvent.Pause(Stands, clock.InstantOf(work.End));
            }

            if (work.Round == round + 1 && !log.Holds(Closes))
            {
                yield return new RunEvent.End(Closes, clock.InstantOf(work.Start));
            }
        }
    }
}
