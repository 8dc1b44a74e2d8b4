using System.Buffers;
using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using KeepTally.Store.Events;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Api;

/// <summary>
/// Some events of a practice as server-sent events, made once however many listen. Each says which event of the practice
/// came before it, so that a listener who missed one notices.
/// </summary>
/// <param name="Before">The sequence number of the event before the first; that of the last for what is no event.</param>
/// <param name="Last">The sequence number of the last event.</param>
/// <param name="Bytes">The bytes to send.</param>
internal sealed record StreamPiece(long Before, long Last, ReadOnlyMemory<byte> Bytes)
{
    private static readonly JsonWriterOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Sent when everything on record was sent.</summary>
    internal static ReadOnlyMemory<byte> Ready { get; } = "event: ready\ndata: {}\n\n"u8.ToArray();

    /// <summary>Sent now and then, so that a line that is dead is found out.</summary>
    internal static ReadOnlyMemory<byte> Beat { get; } = "event: beat\ndata: {}\n\n"u8.ToArray();

    internal static StreamPiece Of(IReadOnlyList<JournalEntry> events)
    {
        var buffer = new ArrayBufferWriter<byte>(256 * events.Count);
        foreach (var (row, before) in events)
        {
            Write(buffer, row, before);
        }

        return new StreamPiece(events[0].Before, events[^1].Row.Sequence, buffer.WrittenMemory);
    }

    /// <summary>Events read from the record, each after the one before it.</summary>
    internal static StreamPiece Of(long after, IReadOnlyList<EventRow> rows)
    {
        var events = new JournalEntry[rows.Count];
        for (var i = 0; i < events.Length; i++)
        {
            events[i] = new JournalEntry(rows[i], i == 0 ? after : rows[i - 1].Sequence);
        }

        return Of(events);
    }

    /// <summary>Two pieces as one, where the second goes on from the first.</summary>
    internal StreamPiece Then(StreamPiece next)
    {
        var bytes = new byte[Bytes.Length + next.Bytes.Length];
        Bytes.CopyTo(bytes);
        next.Bytes.CopyTo(bytes.AsMemory(Bytes.Length));
        return new StreamPiece(Before, next.Last, bytes);
    }

    private static void Write(ArrayBufferWriter<byte> buffer, EventRow row, long before)
    {
        Encoding.UTF8.GetBytes(string.Create(CultureInfo.InvariantCulture, $"id: {row.Sequence}\ndata: "), buffer);
        using (var json = new Utf8JsonWriter(buffer, Plain))
        {
            json.WriteStartObject();
            json.WriteString("sheet", row.SheetId);
            json.WriteString("device", row.Device);
            json.WriteNumber("n", row.N);
            json.WriteNumber("after", before);
            json.WriteString("line", row.Line);
            json.WriteEndObject();
        }

        buffer.Write("\n\n"u8);
    }
}
