using KeepTally.Core.Time;

namespace KeepTally.Core.Clock;

/// <summary>One stretch of the timeline on the clock of a run.</summary>
/// <param name="Kind">The kind of interval.</param>
/// <param name="Round">The round it belongs to, from 1; a change-over belongs to the round before it.</param>
/// <param name="Start">The clock's time at its start.</param>
/// <param name="End">The clock's time at its end.</param>
public readonly record struct Interval(IntervalKind Kind, int Round, ClockTime Start, ClockTime End)
{
    /// <summary>From its start to its end.</summary>
    public Duration Length => End - Start;
}

/// <summary>The kind of an interval.</summary>
public enum IntervalKind
{
    /// <summary>Before the first work.</summary>
    CountIn,

    /// <summary>Players are at work.</summary>
    Work,

    /// <summary>Players change over between rounds.</summary>
    Change,

    /// <summary>The long break between rounds.</summary>
    Break,

    /// <summary>After the last round.</summary>
    Over,
}

/// <summary>Something to be heard at a moment of the timeline.</summary>
/// <param name="At">The clock's time of the signal.</param>
/// <param name="Kind">The kind of signal.</param>
/// <param name="Left">For a call, the time left.</param>
/// <param name="Interval">The interval that begins, or in which the call falls.</param>
public readonly record struct Signal(ClockTime At, SignalKind Kind, Duration Left, Interval Interval);

/// <summary>A signal to sound.</summary>
public enum SignalKind
{
    /// <summary>Work begins.</summary>
    Go,

    /// <summary>Work, or a rest, is over.</summary>
    Horn,

    /// <summary>The time left.</summary>
    Call,

    /// <summary>The signal at a random moment of the work.</summary>
    Surprise,
}
