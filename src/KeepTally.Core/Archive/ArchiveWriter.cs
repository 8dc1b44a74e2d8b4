using System.Globalization;
using System.Text.Json;
using KeepTally.Core.Events;
using KeepTally.Core.Json;

namespace KeepTally.Core.Archive;

/// <summary>Writes a practice as the text that <see cref="ArchiveReader"/> reads.</summary>
public static class ArchiveWriter
{
    /// <summary>The whole text.</summary>
    public static string Write(PracticeArchive practice) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteString("format", ArchiveReader.Format);
            json.WriteString("title", practice.Title);
            json.WriteString("team", practice.Team);
            json.WriteString("date", practice.Date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture));
            json.WriteString("start", practice.Start.ToString("HH:mm", CultureInfo.InvariantCulture));
            json.WriteNumber("origin", practice.Origin.UnixMilliseconds);
            json.WriteStartArray("blocks");
            foreach (var block in practice.Blocks)
            {
                Write(json, block);
            }

            json.WriteEndArray();
            json.WriteEndObject();
        });

    private static void Write(Utf8JsonWriter json, ArchivedBlock block)
    {
        json.WriteStartObject();
        json.WriteNumber("minutes", block.Minutes);
        json.WriteNumber("changeSeconds", block.ChangeSeconds);
        json.WritePropertyName("card");
        json.WriteRawValue(block.CardJson);
        json.WriteStartArray("sheets");
        foreach (var sheet in block.Sheets)
        {
            json.WriteStartObject();
            json.WriteString("name", sheet.Name);
            if (sheet.CardJson is { } own)
            {
                json.WritePropertyName("card");
                json.WriteRawValue(own);
            }

            if (sheet.Stop is { } stop)
            {
                json.WriteNumber("round", stop.Round);
                json.WriteNumber("station", stop.Station);
                json.WriteNumber("group", stop.Group);
            }

            json.WritePropertyName("head");
            json.WriteRawValue(HeadReader.Write(sheet.Head));
            json.WriteStartArray("events");
            foreach (var runEvent in sheet.Events)
            {
                json.WriteRawValue(EventWriter.Write(runEvent));
            }

            json.WriteEndArray();
            json.WriteEndObject();
        }

        json.WriteEndArray();
        json.WriteEndObject();
    }
}
