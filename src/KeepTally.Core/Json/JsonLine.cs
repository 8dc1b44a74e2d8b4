using System.Buffers;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;

namespace KeepTally.Core.Json;

/// <summary>Writes JSON as people read it: names keep their accents, nothing is escaped that need not be.</summary>
internal static class JsonLine
{
    private static readonly JsonWriterOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    private static readonly JsonWriterOptions Indented = Plain with { Indented = true };

    internal static string Write(Action<Utf8JsonWriter> write) => Write(write, Plain);

    /// <summary>The same over many lines, for people to edit.</summary>
    internal static string WriteIndented(Action<Utf8JsonWriter> write) => Write(write, Indented);

    private static string Write(Action<Utf8JsonWriter> write, JsonWriterOptions options)
    {
        var buffer = new ArrayBufferWriter<byte>();
        using (var json = new Utf8JsonWriter(buffer, options))
        {
            write(json);
        }

        return Encoding.UTF8.GetString(buffer.WrittenSpan);
    }
}
