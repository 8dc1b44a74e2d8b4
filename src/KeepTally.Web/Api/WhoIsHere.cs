using System.Buffers;
using System.Collections.Concurrent;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace KeepTally.Web.Api;

/// <summary>The people who have a practice open now, and the sheet each looks at. Held in memory only.</summary>
public sealed class WhoIsHere(EventFeed feed)
{
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web)
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private long _entries;

    private readonly ConcurrentDictionary<int, ConcurrentDictionary<string, Present>> _practices = new();

    /// <summary>A player has opened a practice on a device.</summary>
    /// <returns>Which entry this is: a device that comes back before it was missed has a newer one.</returns>
    internal long Enter(int practice, string device, string name)
    {
        var entry = Interlocked.Increment(ref _entries);
        _practices
            .GetOrAdd(practice, _ => new())
            .AddOrUpdate(
                device,
                new Present(device, name, "") { Entry = entry },
                (_, known) => known with { Name = name, Entry = entry }
            );
        Tell(practice);
        return entry;
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

    internal void Leave(int practice, string device, long entry)
    {
        if (
            _practices.TryGetValue(practice, out var present)
            && present.TryGetValue(device, out var known)
            && known.Entry == entry
            && present.TryRemove(KeyValuePair.Create(device, known))
        )
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

    /// <param name="Device">The id of the device.</param>
    /// <param name="Name">The name the device is known by.</param>
    /// <param name="Sheet">What they look at; empty for everything.</param>
    private sealed record Present(string Device, string Name, string Sheet)
    {
        [JsonIgnore]
        public long Entry { get; init; }
    }
}
