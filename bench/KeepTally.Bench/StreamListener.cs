using System.Buffers.Text;

namespace KeepTally.Bench;

/// <summary>One device that listens: every event once, and how long after its stamp it came. Reads bytes, so that many fit in.</summary>
internal sealed class StreamListener(HttpClient http, int practice)
{
    private readonly TaskCompletionSource _ready = new(TaskCreationOptions.RunContinuationsAsynchronously);
    private long _last;

    internal Task Ready => _ready.Task;

    /// <summary>Events heard, each once and in order.</summary>
    internal long Heard { get; private set; }

    internal List<double> Delays { get; } = [];

    internal async Task ListenAsync(CancellationToken cancellationToken)
    {
        try
        {
            await using var stream = await http.GetStreamAsync(
                new Uri($"/api/practices/{practice}/events?after=0", UriKind.Relative),
                cancellationToken
            );
            var buffer = new byte[1 << 16];
            var kept = 0;
            while (await stream.ReadAsync(buffer.AsMemory(kept), cancellationToken) is > 0 and var read)
            {
                kept = Take(buffer.AsSpan(0, kept + read));
                buffer.AsSpan(0, kept).CopyTo(buffer);
            }
        }
        catch (OperationCanceledException)
        {
            // The bench is over.
        }
    }

    /// <summary>Takes whole messages; what is left of the last one is moved to the front.</summary>
    private int Take(Span<byte> bytes)
    {
        var now = DateTimeOffset.UtcNow.ToUnixTimeMilliseconds();
        var rest = bytes;
        while (rest.IndexOf("\n\n"u8) is >= 0 and var end)
        {
            TakeMessage(rest[..end], now);
            rest = rest[(end + 2)..];
        }

        rest.CopyTo(bytes);
        return rest.Length;
    }

    private void TakeMessage(ReadOnlySpan<byte> message, long now)
    {
        if (message.StartsWith("event: ready"u8))
        {
            _ready.TrySetResult();
        }
        else if (message.StartsWith("id: "u8) && Utf8Parser.TryParse(message[4..], out long sequence, out _) && sequence > _last)
        {
            _last = sequence;
            Heard++;
            var at = message.IndexOf("\\\"at\\\":"u8);
            if (at > 0 && Utf8Parser.TryParse(message[(at + 7)..], out long stamp, out _) && Origin is { } origin)
            {
                Delays.Add(now - origin - stamp);
            }
        }
    }

    /// <summary>The origin of the practice's times.</summary>
    internal long? Origin { get; init; }
}
