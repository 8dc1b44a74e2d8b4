using System.Globalization;

/// <summary>The machine's clock, so many milliseconds on, so many times as fast, and set by hand now and then.</summary>
/// <param name="milliseconds">By how much it is on.</param>
/// <param name="speed">How many times as fast it runs; 1 for the usual.</param>
/// <param name="since">The moment since which it runs so fast, in milliseconds since 1970: a process started later goes on from there.</param>
/// <param name="step">A file with the milliseconds by which the time of day was set since; null for none. The steady time does not follow it.</param>
internal sealed class ShiftedClock(long milliseconds, int speed, long? since, string? step) : TimeProvider
{
    private readonly DateTimeOffset _since = since is { } moment
        ? DateTimeOffset.FromUnixTimeMilliseconds(moment)
        : System.GetUtcNow();

    private long _leapt;

    /// <summary>All its time goes so many milliseconds on at once, as if nothing had run meanwhile.</summary>
    public void Leap(long by) => Interlocked.Add(ref _leapt, by);

    public override DateTimeOffset GetUtcNow() =>
        _since + ((System.GetUtcNow() - _since) * speed) + TimeSpan.FromMilliseconds(milliseconds + _leapt + Stepped());

    public override long TimestampFrequency => System.TimestampFrequency;

    public override long GetTimestamp() => (System.GetTimestamp() * speed) + (_leapt * TimestampFrequency / 1000);

    public override ITimer CreateTimer(TimerCallback callback, object? state, TimeSpan dueTime, TimeSpan period) =>
        System.CreateTimer(callback, state, Faster(dueTime), Faster(period));

    private TimeSpan Faster(TimeSpan span) => span == Timeout.InfiniteTimeSpan ? span : span / speed;

    private long Stepped() =>
        step is not null && File.Exists(step) && long.TryParse(File.ReadAllText(step), CultureInfo.InvariantCulture, out var by)
            ? by
            : 0;
}
