using System.Text.Json;
using KeepTally.Core.Json;
using KeepTally.Core.Planning;

namespace KeepTally.Core.Links;

/// <summary>Writes <c>keep-tally/link@1</c>. Source: docs/formats.md, section 11.</summary>
public static class LinkWriter
{
    /// <summary>The content as one short text.</summary>
    public static string Write(LinkContent content) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteString("format", LinkContent.Format);
            if (content.Plan is { } plan)
            {
                json.WritePropertyName("plan");
                Raw(json, PlanWriter.Write(LinkContent.Bare(plan)));
            }

            json.WriteStartArray("cards");
            foreach (var card in content.Cards)
            {
                Raw(json, card.Json);
            }

            json.WriteEndArray();
            if (content.Names.Count > 0)
            {
                json.WriteStartObject("names");
                foreach (var (id, name) in content.Names.OrderBy(each => each.Key, StringComparer.Ordinal))
                {
                    json.WriteString(id, name);
                }

                json.WriteEndObject();
            }

            json.WriteEndObject();
        });

    private static void Raw(Utf8JsonWriter json, string text)
    {
        using var document = JsonDocument.Parse(text);
        document.RootElement.WriteTo(json);
    }
}
