using System.Buffers;
using System.Collections.Concurrent;
using System.Text.Encodings.Web;
using System.Text.Json;

namespace KeepTally.Web.Api;

/// <summary>Who has a practice open now, and which sheet each looks at. Held in memory alone: who leaves is gone.</summary>
public sealed class WhoIsHere(EventFeed feed)
{
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web)
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private readonly ConcurrentDictionary<int, ConcurrentDictionary<string, Present>> _practices = new();

    /// <summary>Somebody has opened a practice on a device.</summary>
    internal void Enter(int practice, string device, string name)
    {
        _practices
            .GetOrAdd(practice, _ => new())
            .AddOrUpdate(device, new Present(device, name, ""), (_, known) => known with { Name = name });
        Tell(practice);
    }

    /// <summary>They look at a sheet, or at all of them; false where they have not opened it.</summary>
    internal bool Look(int practice, string device, string name, string sheet)
    {
        if (!_practices.TryGetValue(practice, out var present) || !present.TryGetValue(device, out var known) || known.Name != name)
        {
            return false;
        }

        present[device] = known with { Sheet = sheet };
        Tell(practice);
        return true;
    }

    internal void Leave(int practice, string device)
    {
        if (_practices.TryGetValue(practice, out var present) && present.TryRemove(device, out _))
        {
            Tell(practice);
        }
    }

    private void Tell(int practice)
    {
        var here = _practices[practice].Values.OrderBy(present => present.Name, StringComparer.Ordinal).ToArray();
        var text = new ArrayBufferWriter<byte>(256);
        text.Write("event: here\ndata: "u8);
        text.Write(JsonSerializer.SerializeToUtf8Bytes(here, Plain));
        text.Write("\n\n"u8);
        feed.Tell(practice, text.WrittenMemory);
    }

    /// <param name="Sheet">What they look at; empty for everything.</param>
    private sealed record Present(string Device, string Name, string Sheet);
}
