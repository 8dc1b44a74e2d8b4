using System.Globalization;

namespace KeepTally.Core.Time;

/// <summary>
/// What the clock of a run reads: the time since the press of start with every pause left out, count-in and changes
/// included. It is neither an <see cref="Instant"/>, which pauses do not stop, nor a <see cref="Duration"/>, which has no
/// start. Source: <c>docs/formats.md</c>, section 3.
/// </summary>
/// <param name="Milliseconds">Milliseconds since the press of start.</param>
public readonly record struct ClockTime(long Milliseconds) : IComparable<ClockTime>
{
    /// <summary>The clock time at the start.</summary>
    public static ClockTime Zero => default;

    /// <summary>A clock time that is never reached: the end of an interval without end.</summary>
    public static ClockTime Never => new(long.MaxValue);

    /// <summary>Running time of a sheet at this moment; none has run while the count-in lasts.</summary>
    public RunningTime After(Duration countIn) => new(Math.Max(0, Milliseconds - countIn.Milliseconds));

    /// <summary>The later of two.</summary>
    public static ClockTime Max(ClockTime one, ClockTime other) => one > other ? one : other;

    /// <inheritdoc/>
    public int CompareTo(ClockTime other) => Milliseconds.CompareTo(other.Milliseconds);

    /// <summary>The running time from the second to the first.</summary>
    public static Duration operator -(ClockTime later, ClockTime earlier) => new(later.Milliseconds - earlier.Milliseconds);

    /// <summary>The clock time after a further running time.</summary>
    public static ClockTime operator +(ClockTime at, Duration span) => new(at.Milliseconds + span.Milliseconds);

    /// <summary>The clock time before a running time.</summary>
    public static ClockTime operator -(ClockTime at, Duration span) => new(at.Milliseconds - span.Milliseconds);

    /// <summary>Whether it is the earlier.</summary>
    public static bool operator <(ClockTime one, ClockTime other) => one.Milliseconds < other.Milliseconds;

    /// <summary>Whether it is the later.</summary>
    public static bool operator >(ClockTime one, ClockTime other) => one.Milliseconds > other.Milliseconds;

    /// <summary>Whether it is not the later.</summary>
    public static bool operator <=(ClockTime one, ClockTime other) => one.Milliseconds <= other.Milliseconds;

    /// <summary>Whether it is not the earlier.</summary>
    public static bool operator >=(ClockTime one, ClockTime other) => one.Milliseconds >= other.Milliseconds;

    /// <summary>For a reader of a test or a log, as "1500 ms on the clock".</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Milliseconds} ms on the clock");
}
