using System.Globalization;

namespace KeepTally.Core.Time;

/// <summary>
/// The running time of a sheet: what its clock has run since play began, so a count-in is not in it as it is in
/// <see cref="ClockTime"/>. Source: <c>docs/formats.md</c>, section 2.
/// </summary>
/// <param name="Milliseconds">Milliseconds since play began.</param>
public readonly record struct RunningTime(long Milliseconds) : IComparable<RunningTime>
{
    /// <summary>The moment play begins.</summary>
    public static RunningTime Zero => default;

    /// <summary>The time that ran since play began.</summary>
    public Duration SinceStart => new(Milliseconds);

    /// <summary>The clock time at this moment, after a count-in of the given length.</summary>
    public ClockTime On(Duration countIn) => new(Milliseconds + countIn.Milliseconds);

    /// <summary>The later of two.</summary>
    public static RunningTime Max(RunningTime one, RunningTime other) => one > other ? one : other;

    /// <inheritdoc/>
    public int CompareTo(RunningTime other) => Milliseconds.CompareTo(other.Milliseconds);

    /// <summary>The running time from the second to the first.</summary>
    public static Duration operator -(RunningTime later, RunningTime earlier) => new(later.Milliseconds - earlier.Milliseconds);

    /// <summary>When so much more has run.</summary>
    public static RunningTime operator +(RunningTime at, Duration span) => new(at.Milliseconds + span.Milliseconds);

    /// <summary>Before so much had run.</summary>
    public static RunningTime operator -(RunningTime at, Duration span) => new(at.Milliseconds - span.Milliseconds);

    /// <summary>Whether it is the earlier.</summary>
    public static bool operator <(RunningTime one, RunningTime other) => one.Milliseconds < other.Milliseconds;

    /// <summary>Whether it is the later.</summary>
    public static bool operator >(RunningTime one, RunningTime other) => one.Milliseconds > other.Milliseconds;

    /// <summary>Whether it is not the later.</summary>
    public static bool operator <=(RunningTime one, RunningTime other) => one.Milliseconds <= other.Milliseconds;

    /// <summary>Whether it is not the earlier.</summary>
    public static bool operator >=(RunningTime one, RunningTime other) => one.Milliseconds >= other.Milliseconds;

    /// <summary>For a reader of a test or a log, as "1500 ms run".</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Milliseconds} ms run");
}
