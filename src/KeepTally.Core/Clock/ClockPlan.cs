using KeepTally.Core.Time;

namespace KeepTally.Core.Clock;

/// <summary>The intervals of a stage as its card writes them. Source: docs/formats.md, section 3.</summary>
/// <param name="Calls">Spans before the end of a work interval at which the time left is called.</param>
/// <param name="Rep">A shot clock for one rep, or null.</param>
public sealed record ClockPlan(
    Duration Work,
    Duration Change,
    int Rounds,
    Duration CountIn,
    IReadOnlyList<Duration> Calls,
    LongBreak? BreakAfter,
    Surprise? Surprise,
    Duration? Rep
)
{
    /// <summary>What the clock of a rep begins with.</summary>
    public RepStart RepFrom { get; init; }

    /// <summary>What the clock reads when the work of a round, from 1, is over.</summary>
    public ClockTime WorkEnd(int round) =>
        ClockTime.Zero
        + CountIn
        + (round * Work)
        + ((round - 1) * Change)
        + (BreakAfter is { } rest && rest.Round < round ? rest.Length : Duration.Zero);

    /// <summary>The moment itself while work runs or once all is over; in a rest, when the next work begins.</summary>
    public ClockTime WorkFrom(ClockTime moment)
    {
        for (var round = 1; round <= Rounds; round++)
        {
            var end = WorkEnd(round);
            if (moment < end)
            {
                return ClockTime.Max(moment, end - Work);
            }
        }

        return moment;
    }

    /// <summary>How much work has run by what the clock reads.</summary>
    public Duration WorkBy(ClockTime elapsed)
    {
        var worked = Duration.Zero;
        for (var round = 1; round <= Rounds; round++)
        {
            var end = WorkEnd(round);
            if (elapsed >= end)
            {
                worked += Work;
                continue;
            }

            return worked + Duration.Max(Duration.Zero, Work - (end - elapsed));
        }

        return worked;
    }

    /// <summary>Count-in, rounds of work, the changes between them, and the break.</summary>
    public Duration Total => CountIn + (Rounds * Work) + ((Rounds - 1) * Change) + (BreakAfter?.Length ?? Duration.Zero);
}

/// <summary>What the clock of a rep begins with.</summary>
public enum RepStart
{
    /// <summary>The work, and anew every counted tap.</summary>
    Tap,

    /// <summary>The coach's whistle alone.</summary>
    Whistle,
}

/// <summary>A break after the change-over's round (counted from 1) is over.</summary>
public sealed record LongBreak(int Round, Duration Length);

/// <summary>A signal at a random moment of the work interval, from the run's seed.</summary>
public sealed record Surprise(Duration Min, Duration Max);
