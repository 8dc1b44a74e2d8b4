using System.Collections.Concurrent;
using System.Threading.Channels;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Api;

/// <summary>Passes each event, once it is on record, to every device that listens to its practice.</summary>
public sealed class EventFeed
{
    private readonly ConcurrentDictionary<Guid, (int Practice, Channel<EventRow> Channel)> _listeners = [];

    public void Publish(int practice, IEnumerable<EventRow> events)
    {
        foreach (var said in events)
        {
            foreach (var (listening, channel) in _listeners.Values)
            {
                if (listening == practice)
                {
                    channel.Writer.TryWrite(said);
                }
            }
        }
    }

    /// <summary>Listens from now on, until disposed.</summary>
    public Listener Listen(int practice)
    {
        var id = Guid.NewGuid();
        var channel = Channel.CreateUnbounded<EventRow>();
        _listeners[id] = (practice, channel);
        return new Listener(channel.Reader, () => _listeners.TryRemove(id, out _));
    }

    public sealed class Listener(ChannelReader<EventRow> events, Action leave) : IDisposable
    {
        public ChannelReader<EventRow> Events => events;

        public void Dispose() => leave();
    }
}
