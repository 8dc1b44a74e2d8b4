using System.Text;
using System.Text.Json;

namespace KeepTally.Core.Formats;

/// <summary>
/// What of a card decides its scores, as one text: two cards with the same print score alike, so that their results may
/// be compared. Names, labels, keys and words do not count; the order of properties does not either.
/// </summary>
public static class ScoringPrint
{
    private static readonly HashSet<string> Wording = ["name", "label", "said", "key", "roles", "reminders"];

    /// <summary>What means the same written or left out.</summary>
    private static readonly HashSet<(string Name, string Value)> Usual =
    [
        ("play", "\"together\""),
        ("scores", "\"player\""),
        ("scores", "false"),
        ("active", "false"),
        ("result", "\"neutral\""),
        ("stop", "\"none\""),
        ("fail", "\"retry\""),
        ("laps", "1"),
        ("after", "\"cut\""),
        ("lead", "0"),
        ("breach", "\"void\""),
        ("within", "1"),
        ("miss", "\"zero\""),
        ("better", "\"high\""),
        ("rounds", "1"),
        ("change", "0"),
        ("countIn", "0"),
        ("kind", "\"spot\""),
        ("size", "1"),
        ("who", "\"all\""),
    ];

    /// <param name="cardJson">The text of a card that reads.</param>
    public static string Of(string cardJson)
    {
        using var document = JsonDocument.Parse(cardJson);
        var print = new StringBuilder();
        if (document.RootElement.TryGetProperty("stages", out var stages))
        {
            Write(print, stages);
        }

        if (document.RootElement.TryGetProperty("options", out var options))
        {
            foreach (var option in options.EnumerateObject().OrderBy(each => each.Name, StringComparer.Ordinal))
            {
                var choices = option.Value.GetProperty("choices").EnumerateObject().Select(choice => choice.Name);
                print.Append(
                    $"${option.Name}={option.Value.GetProperty("default").GetString()}|{string.Join('|', choices.Order(StringComparer.Ordinal))};"
                );
            }
        }

        return print.ToString();
    }

    private static void Write(StringBuilder print, JsonElement value)
    {
        switch (value.ValueKind)
        {
            case JsonValueKind.Object:
                print.Append('{');
                foreach (var property in value.EnumerateObject().OrderBy(each => each.Name, StringComparer.Ordinal))
                {
                    if (Counts(property))
                    {
                        print.Append(property.Name).Append(':');
                        Write(print, property.Value);
                        print.Append(',');
                    }
                }

                print.Append('}');
                break;
            case JsonValueKind.Array:
                print.Append('[');
                foreach (var item in value.EnumerateArray())
                {
                    Write(print, item);
                    print.Append(',');
                }

                print.Append(']');
                break;
            case JsonValueKind.Number:
                print.Append(value.GetDouble().ToString("R", System.Globalization.CultureInfo.InvariantCulture));
                break;
            default:
                print.Append(value.GetRawText());
                break;
        }
    }

    private static bool Counts(JsonProperty property) =>
        !Wording.Contains(property.Name)
        && !Usual.Contains((property.Name, property.Value.GetRawText()))
        && !(IsEmpty(property.Value) || IsUsualStreak(property));

    /// <summary>A streak whose miss is the usual one says nothing.</summary>
    private static bool IsUsualStreak(JsonProperty property) =>
        property is { Name: "streak", Value.ValueKind: JsonValueKind.Object }
        && property.Value.EnumerateObject().All(each => Usual.Contains((each.Name, each.Value.GetRawText())));

    private static bool IsEmpty(JsonElement value) =>
        value.ValueKind switch
        {
            JsonValueKind.Null => true,
            JsonValueKind.Array => value.GetArrayLength() == 0,
            JsonValueKind.Object => !value.EnumerateObject().Any(),
            _ => false,
        };
}
