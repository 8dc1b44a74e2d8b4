using System.Globalization;

namespace KeepTally.Core.Time;

/// <summary>
/// When something happened: whole milliseconds after the origin of its run, as an event's <c>at</c> in
/// <c>docs/formats.md</c>, section 4. Two instants have a <see cref="Duration"/> between them and no sum.
/// </summary>
/// <param name="Milliseconds">Milliseconds after the origin.</param>
public readonly record struct Instant(long Milliseconds) : IComparable<Instant>
{
    /// <summary>The origin of the run.</summary>
    public static Instant Origin => default;

    /// <summary>The later of two.</summary>
    public static Instant Max(Instant one, Instant other) => one > other ? one : other;

    /// <inheritdoc/>
    public int CompareTo(Instant other) => Milliseconds.CompareTo(other.Milliseconds);

    /// <summary>The duration from the second to the first.</summary>
    public static Duration operator -(Instant later, Instant earlier) => new(later.Milliseconds - earlier.Milliseconds);

    /// <summary>The instant so much later.</summary>
    public static Instant operator +(Instant at, Duration span) => new(at.Milliseconds + span.Milliseconds);

    /// <summary>The instant so much earlier.</summary>
    public static Instant operator -(Instant at, Duration span) => new(at.Milliseconds - span.Milliseconds);

    /// <summary>Whether it is the earlier.</summary>
    public static bool operator <(Instant one, Instant other) => one.Milliseconds < other.Milliseconds;

    /// <summary>Whether it is the later.</summary>
    public static bool operator >(Instant one, Instant other) => one.Milliseconds > other.Milliseconds;

    /// <summary>Whether it is not the later.</summary>
    public static bool operator <=(Instant one, Instant other) => one.Milliseconds <= other.Milliseconds;

    /// <summary>Whether it is not the earlier.</summary>
    public static bool operator >=(Instant one, Instant other) => one.Milliseconds >= other.Milliseconds;

    /// <summary>For a reader of a test or a log, as "at 1500 ms".</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"at {Milliseconds} ms");
}
