using KeepTally.Core.Time;

namespace KeepTally.Core.Clock;

/// <summary>
/// The clock of a run: it reads what has passed since the start with every pause left out. What it reads is always a
/// difference of instants, never a sum of ticks, so it cannot drift.
/// </summary>
public sealed class RunClock
{
    /// <summary>The stretches before the last one, the first first.</summary>
    private readonly List<Stretch> _earlier;

    /// <summary>The stretch under way, or the last one; it is asked several times a tap.</summary>
    private Stretch _last;

    /// <summary>A clock that was never started.</summary>
    public RunClock() => _earlier = [];

    private RunClock(RunClock other)
    {
        _earlier = [.. other._earlier];
        (_last, IsStarted, IsPaused, _stoodAt) = (other._last, other.IsStarted, other.IsPaused, other._stoodAt);
    }

    /// <summary>A time the clock stood: running time was <paramref name="Ran"/> when it went on at <paramref name="From"/>.</summary>
    private readonly record struct Stretch(Instant From, ClockTime Ran);

    /// <summary>Whether it was ever started.</summary>
    public bool IsStarted { get; private set; }

    /// <summary>Whether it stands since a pause.</summary>
    public bool IsPaused { get; private set; }

    /// <summary>Running time at the pause, while paused.</summary>
    private ClockTime _stoodAt;

    /// <summary>The same time, that goes its own way from here.</summary>
    internal RunClock Copy() => new(this);

    /// <summary>A second start changes nothing.</summary>
    public void Start(Instant at)
    {
        if (!IsStarted)
        {
            _last = new Stretch(at, ClockTime.Zero);
            IsStarted = true;
        }
    }

    /// <summary>Lets it stand from an instant on; false where it does not run.</summary>
    public bool Pause(Instant at)
    {
        if (!IsStarted || IsPaused)
        {
            return false;
        }

        _stoodAt = At(at);
        IsPaused = true;
        return true;
    }

    /// <summary>Lets it go on from an instant; false where it is not paused.</summary>
    public bool Resume(Instant at)
    {
        if (!IsPaused)
        {
            return false;
        }

        IsPaused = false;
        _earlier.Add(_last);
        _last = new Stretch(at, _stoodAt);
        return true;
    }

    /// <summary>Returns the clock time at an instant, not before the last pause or resume.</summary>
    public ClockTime At(Instant at)
    {
        if (!IsStarted)
        {
            return ClockTime.Zero;
        }

        if (IsPaused)
        {
            return _stoodAt;
        }

        return _last.Ran + Duration.Max(Duration.Zero, at - _last.From);
    }

    /// <summary>The instant at which it read so much, for a moment the clock has already reached.</summary>
    public Instant InstantOf(ClockTime ran)
    {
        if (!IsStarted)
        {
            throw new InvalidOperationException("The clock was never started.");
        }

        var stretch = _last;
        for (var i = _earlier.Count - 1; i >= 0 && stretch.Ran > ran; i--)
        {
            stretch = _earlier[i];
        }

        return stretch.From + (ran - stretch.Ran);
    }
}
