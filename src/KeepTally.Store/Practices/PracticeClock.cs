namespace KeepTally.Store.Practices;

/// <summary>
/// The clock that all devices of a practice share. It begins with the clock of the machine and then goes on evenly: where
/// a person, or the network, sets that clock meanwhile, a drill runs neither longer nor shorter, and no tap is refused.
/// </summary>
/// <remarks>
/// Days and times of day are read from the machine's clock (<see cref="TimeProvider"/>); moments of a practice are read here.
/// </remarks>
public sealed class PracticeClock
{
    /// <summary>No practice is under way for longer.</summary>
    public static readonly TimeSpan LongestPractice = TimeSpan.FromHours(12);

    /// <summary>The longest time by which a restart follows the record where the machine's clock is behind it.</summary>
    private static readonly TimeSpan MostTrusted = TimeSpan.FromHours(3);

    private readonly TimeProvider _machine;
    private readonly Lock _lock = new();
    private DateTimeOffset _anchor;
    private long _since;

    /// <param name="machine">The clock of the machine.</param>
    public PracticeClock(TimeProvider machine)
    {
        _machine = machine;
        (_anchor, _since) = (machine.GetUtcNow(), machine.GetTimestamp());
    }

    /// <summary>The present moment, in UTC. It goes evenly, and never back while a practice is under way.</summary>
    public DateTimeOffset Now
    {
        get
        {
            lock (_lock)
            {
                return _anchor + _machine.GetElapsedTime(_since);
            }
        }
    }

    /// <summary>The time zone of the machine, in which moments are read as times of day.</summary>
    public TimeZoneInfo Zone => _machine.LocalTimeZone;

    /// <summary>
    /// Goes on from the latest moment on record, where the machine's clock is behind it after a restart. A record that is more
    /// than three hours ahead was written by a clock that was wrong, and is not followed.
    /// </summary>
    /// <param name="latest">The latest moment on record.</param>
    public void GoOnFrom(DateTimeOffset latest)
    {
        if (latest > Now && latest - Now <= MostTrusted)
        {
            Anchor(latest);
        }
    }

    /// <summary>
    /// Takes the time of the machine: it may have learnt it from the network only after the start, or have been set since. Called before a
    /// practice begins while no other is under way: nothing is timed by this clock then.
    /// </summary>
    public void Follow() => Anchor(_machine.GetUtcNow());

    private void Anchor(DateTimeOffset moment)
    {
        lock (_lock)
        {
            (_anchor, _since) = (moment, _machine.GetTimestamp());
        }
    }
}
