namespace KeepTally.Core.Time;

/// <summary>
/// The moment from which the instants of a run are counted. It ties them to the calendar, which the rules never look at.
/// </summary>
/// <param name="UnixMilliseconds">Milliseconds since 1970 in UTC.</param>
public readonly record struct RunOrigin(long UnixMilliseconds)
{
    /// <summary>A run that is counted from a moment on.</summary>
    public static RunOrigin From(DateTimeOffset moment) => new(moment.ToUnixTimeMilliseconds());

    /// <summary>The instant of the run at a moment of the calendar.</summary>
    public Instant InstantAt(DateTimeOffset moment) => new(moment.ToUnixTimeMilliseconds() - UnixMilliseconds);
}
