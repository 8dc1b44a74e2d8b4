using System.Collections.Concurrent;
using System.Diagnostics.Metrics;
using System.Threading.Channels;
using KeepTally.Store.Events;

namespace KeepTally.Web.Api;

/// <summary>Passes each event, once it is on record and in the order of the record, to every device that listens to its practice.</summary>
public sealed class EventFeed : IJournalListener, IDisposable
{
    private static readonly TimeSpan BeatEvery = TimeSpan.FromSeconds(15);

    private readonly ConcurrentDictionary<int, PracticeFeed> _practices = new();
    private readonly TimeProvider _clock;
    private readonly ITimer _beat;
    private readonly Meter _meter = new(JournalMeter.Name);

    public EventFeed(TimeProvider clock)
    {
        _clock = clock;
        _beat = clock.CreateTimer(_ => Beat(), null, BeatEvery, BeatEvery);
        _meter.CreateObservableUpDownCounter("keep_tally.streams", () => Streams, "{stream}", "Devices that listen now");
    }

    /// <summary>The number of streams that are open now.</summary>
    private int Streams => _practices.Values.Sum(feed => feed.Listeners);

    public void OnAppended(int practice, IReadOnlyList<JournalEntry> events)
    {
        if (_practices.TryGetValue(practice, out var feed))
        {
            feed.Publish(StreamPiece.Of(events));
        }
    }

    /// <summary>
    /// Listens from now on, until left. Anyone who reads the record after joining misses nothing: an event that was not passed
    /// on here was on record before.
    /// </summary>
    internal ChannelReader<StreamPiece> Join(int practice, out Action leave) =>
        _practices.GetOrAdd(practice, static (_, clock) => new PracticeFeed(clock), _clock).Join(out leave);

    /// <summary>Something that is no event, told to all who listen to a practice now.</summary>
    internal void Tell(int practice, ReadOnlyMemory<byte> text)
    {
        if (_practices.TryGetValue(practice, out var feed))
        {
            feed.Tell(text);
        }
    }

    public void Dispose()
    {
        _beat.Dispose();
        _meter.Dispose();
    }

    private void Beat()
    {
        foreach (var feed in _practices.Values)
        {
            feed.Beat();
        }
    }
}
