using System.Threading.Channels;

namespace KeepTally.Web.Api;

/// <summary>
/// Everyone who listens to one practice. A few hear every event at once; many hear what came within a short while together,
/// since each time they are all woken costs far more than what they are told.
/// </summary>
internal sealed class PracticeFeed(TimeProvider clock)
{
    private const int Few = 24;

    /// <summary>The number of messages that wait for a slow listener; one that missed some notices and reads them from the record.</summary>
    private const int Waiting = 64;

    private static readonly TimeSpan While = TimeSpan.FromMilliseconds(20);

    private readonly Lock _lock = new();
    private readonly List<Channel<StreamPiece>> _listeners = [];
    private StreamPiece? _pending;
    private ITimer? _timer;

    /// <summary>The number of those who listen now.</summary>
    internal int Listeners
    {
        get
        {
            lock (_lock)
            {
                return _listeners.Count;
            }
        }
    }

    internal ChannelReader<StreamPiece> Join(out Action leave)
    {
        var channel = Channel.CreateBounded<StreamPiece>(
            new BoundedChannelOptions(Waiting) { FullMode = BoundedChannelFullMode.DropOldest, SingleReader = true }
        );
        lock (_lock)
        {
            _listeners.Add(channel);
        }

        leave = () =>
        {
            lock (_lock)
            {
                _listeners.Remove(channel);
            }
        };
        return channel.Reader;
    }

    /// <summary>Called in the order of the journal.</summary>
    internal void Publish(StreamPiece piece)
    {
        lock (_lock)
        {
            _pending = _pending is null ? piece : _pending.Then(piece);
            if (_listeners.Count <= Few)
            {
                PassOn();
            }
            else
            {
                _timer ??= clock.CreateTimer(_ => PassOnLater(), null, While, Timeout.InfiniteTimeSpan);
            }
        }
    }

    /// <summary>Nothing new, but the line is alive.</summary>
    internal void Beat() => Tell(StreamPiece.Beat);

    /// <summary>Sends a message that is no event to every listener.</summary>
    internal void Tell(ReadOnlyMemory<byte> text)
    {
        lock (_lock)
        {
            foreach (var listener in _listeners)
            {
                listener.Writer.TryWrite(new StreamPiece(-1, -1, text));
            }
        }
    }

    private void PassOnLater()
    {
        lock (_lock)
        {
            _timer?.Dispose();
            _timer = null;
            PassOn();
        }
    }

    private void PassOn()
    {
        if (_pending is { } piece)
        {
            _pending = null;
            foreach (var listener in _listeners)
            {
                listener.Writer.TryWrite(piece);
            }
        }
    }
}
