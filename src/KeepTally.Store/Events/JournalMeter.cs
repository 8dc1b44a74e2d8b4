using System.Diagnostics;
using System.Diagnostics.Metrics;

namespace KeepTally.Store.Events;

/// <summary>
/// The figures of the journal for an operator: events stored, the time to the acknowledgement, batches that wait. Named after
/// the conventions of OpenTelemetry; without a listener they cost next to nothing.
/// </summary>
public sealed class JournalMeter : IDisposable
{
    /// <summary>The name of the meter.</summary>
    public const string Name = "KeepTally";

    private readonly Meter _meter = new(Name);
    private readonly Counter<long> _stored;
    private readonly Histogram<double> _acknowledged;
    private readonly Counter<long> _notPassedOn;

    /// <summary>What the last batch took says nothing of the disk any more after so long.</summary>
    private static readonly TimeSpan Lately = TimeSpan.FromMinutes(1);

    private readonly Lock _lock = new();
    private int _waiting;
    private long _progress;
    private TimeSpan _last;

    public JournalMeter()
    {
        _stored = _meter.CreateCounter<long>("keep_tally.events.stored", "{event}", "Events that were new on record");
        _acknowledged = _meter.CreateHistogram<double>(
            "keep_tally.events.acknowledged",
            "ms",
            "The time from the arrival of a batch to its acknowledgement"
        );
        _notPassedOn = _meter.CreateCounter<long>(
            "keep_tally.events.not_passed_on",
            "{event}",
            "Events on record that could not be told to the devices that listen"
        );
        _meter.CreateObservableUpDownCounter(
            "keep_tally.events.waiting",
            () => _waiting,
            "{batch}",
            "Batches that wait for the disk"
        );
    }

    /// <summary>Batches that wait for the disk.</summary>
    public int Waiting => _waiting;

    /// <summary>
    /// The time that a batch takes from its arrival to the acknowledgement: of the last one within a minute, or so far of those that
    /// wait; zero where nothing was sent lately.
    /// </summary>
    public TimeSpan Delay
    {
        get
        {
            lock (_lock)
            {
                var since = Stopwatch.GetElapsedTime(_progress);
                var last = since <= Lately ? _last : TimeSpan.Zero;
                return _waiting > 0 && since > last ? since : last;
            }
        }
    }

    /// <summary>A batch has arrived; the moment to give back when it is done.</summary>
    internal long Arrived()
    {
        lock (_lock)
        {
            var now = Stopwatch.GetTimestamp();
            if (_waiting++ == 0)
            {
                _progress = now;
            }

            return now;
        }
    }

    /// <summary>A batch was acknowledged, or refused by the disk.</summary>
    /// <param name="arrived">The moment it arrived.</param>
    /// <param name="stored">The number of events that were new.</param>
    internal void Done(long arrived, int stored)
    {
        var took = Stopwatch.GetElapsedTime(arrived);
        lock (_lock)
        {
            _waiting--;
            (_progress, _last) = (Stopwatch.GetTimestamp(), took);
        }

        _stored.Add(stored);
        _acknowledged.Record(took.TotalMilliseconds);
    }

    /// <summary>Events could not be told to those who listen.</summary>
    internal void NotPassedOn(int count) => _notPassedOn.Add(count);

    public void Dispose() => _meter.Dispose();
}
