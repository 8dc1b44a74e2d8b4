using System.Globalization;

namespace KeepTally.Core.Time;

/// <summary>A span of time in whole milliseconds, as <c>docs/formats.md</c>, section 1, counts it. It may be negative.</summary>
/// <param name="Milliseconds">Its length in milliseconds.</param>
public readonly record struct Duration(long Milliseconds) : IComparable<Duration>
{
    private const long PerSecond = 1000;

    /// <summary>No time at all.</summary>
    public static Duration Zero => default;

    /// <summary>A millisecond, which nothing is shorter than.</summary>
    public static Duration Millisecond => new(1);

    /// <summary>Its length in seconds, with the milliseconds behind the point.</summary>
    public double TotalSeconds => Milliseconds / (double)PerSecond;

    /// <summary>The whole seconds in it; what is left over is dropped.</summary>
    public long WholeSeconds => Milliseconds / PerSecond;

    /// <summary>The whole seconds that hold it: one more than <see cref="WholeSeconds"/> where anything is left over.</summary>
    public long SecondsBegun => (Milliseconds + PerSecond - 1) / PerSecond;

    /// <summary>Seconds to the nearest millisecond, halves away from zero.</summary>
    public static Duration FromSeconds(double seconds) => new((long)Math.Round(seconds * PerSecond, MidpointRounding.AwayFromZero));

    /// <summary>Minutes to the nearest millisecond, halves away from zero.</summary>
    public static Duration FromMinutes(double minutes) => FromSeconds(minutes * 60);

    /// <summary>The longer of two.</summary>
    public static Duration Max(Duration one, Duration other) => one > other ? one : other;

    /// <summary>The shorter of two.</summary>
    public static Duration Min(Duration one, Duration other) => one < other ? one : other;

    /// <inheritdoc/>
    public int CompareTo(Duration other) => Milliseconds.CompareTo(other.Milliseconds);

    /// <summary>Both, one after the other.</summary>
    public static Duration operator +(Duration one, Duration other) => new(one.Milliseconds + other.Milliseconds);

    /// <summary>The difference of two durations.</summary>
    public static Duration operator -(Duration one, Duration other) => new(one.Milliseconds - other.Milliseconds);

    /// <summary>The duration times a number.</summary>
    public static Duration operator *(int times, Duration one) => new(times * one.Milliseconds);

    /// <summary>One of so many even parts of it.</summary>
    public static Duration operator /(Duration one, int parts) => new(one.Milliseconds / parts);

    /// <summary>How many of the other it makes up, as a share.</summary>
    public static double operator /(Duration one, Duration other) => one.Milliseconds / (double)other.Milliseconds;

    /// <summary>Whether it is the shorter.</summary>
    public static bool operator <(Duration one, Duration other) => one.Milliseconds < other.Milliseconds;

    /// <summary>Whether it is the longer.</summary>
    public static bool operator >(Duration one, Duration other) => one.Milliseconds > other.Milliseconds;

    /// <summary>Whether it is not the longer.</summary>
    public static bool operator <=(Duration one, Duration other) => one.Milliseconds <= other.Milliseconds;

    /// <summary>Whether it is not the shorter.</summary>
    public static bool operator >=(Duration one, Duration other) => one.Milliseconds >= other.Milliseconds;

    /// <summary>For a reader of a test or a log, as "1500 ms".</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Milliseconds} ms");
}
