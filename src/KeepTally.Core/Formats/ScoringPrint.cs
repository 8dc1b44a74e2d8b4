using System.Text;
using System.Text.Json;
using KeepTally.Core.Clock;
using KeepTally.Core.Places;
using KeepTally.Core.Rulebook;

namespace KeepTally.Core.Formats;

/// <summary>
/// What of a card decides its scores, as one text: two cards with the same print score alike, so that their results may
/// be compared. Names, labels, keys and words do not count; the order of properties does not either.
/// </summary>
public static class ScoringPrint
{
    /// <summary>Properties of the stage and its outcomes that hold wording only.</summary>
    private static readonly string[] Wording = ["name", "label", "said", "key", "roles", "reminders", "asks", "askOrder"];

    /// <summary>The defaults: properties that mean the same written or left out, besides closed choices and those of the rules.</summary>
    private static readonly (string Name, string Json)[] Defaults =
    [
        ("scores", "false"),
        ("active", "false"),
        ("rounds", "1"),
        ("change", "0"),
        ("countIn", "0"),
        ("size", "1"),
    ];

    private static readonly Eye Standard = new(StandardRules.All);

    /// <param name="cardJson">The text of a card that reads.</param>
    public static string Of(string cardJson) => Of(cardJson, Standard);

    /// <param name="cardJson">The text of a card that reads by the rules.</param>
    /// <param name="rules">The rules it reads by.</param>
    public static string Of(string cardJson, RuleSet rules) => Of(cardJson, new Eye(rules));

    private static string Of(string cardJson, Eye eye)
    {
        using var document = JsonDocument.Parse(cardJson);
        var print = new StringBuilder();
        if (document.RootElement.TryGetProperty("stages", out var stages))
        {
            Write(print, stages, eye);
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

    private static void Write(StringBuilder print, JsonElement value, Eye eye)
    {
        switch (value.ValueKind)
        {
            case JsonValueKind.Object:
                print.Append('{');
                foreach (var property in value.EnumerateObject().OrderBy(each => each.Name, StringComparer.Ordinal))
                {
                    if (eye.Counts(property))
                    {
                        print.Append(property.Name).Append(':');
                        Write(print, property.Value, eye);
                        print.Append(',');
                    }
                }

                print.Append('}');
                break;
            case JsonValueKind.Array:
                print.Append('[');
                foreach (var item in value.EnumerateArray())
                {
                    Write(print, item, eye);
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

    /// <summary>Sees what of a stage decides its scores, by a set of rules.</summary>
    private sealed class Eye(RuleSet rules)
    {
        private readonly HashSet<string> _wording = [.. Wording, .. rules.Stage.SelectMany(kind => kind.Wording)];
        private readonly HashSet<string> _rules = [.. rules.Stage.Select(kind => kind.Property)];
        private readonly HashSet<(string Name, string Json)> _usual =
        [
            .. Defaults,
            .. rules.Stage.SelectMany(kind => kind.Defaults),
            .. CardChoices
                .All.Concat(PlaceChoices.All)
                .Concat(ClockChoices.All)
                .Concat(rules.Stage.SelectMany(kind => kind.Choices))
                .Where(choices => !choices.IsNeeded)
                .Select(choices => (choices.Property, $"\"{choices.All[0].Word}\"")),
        ];

        internal bool Counts(JsonProperty property) =>
            !_wording.Contains(property.Name)
            && !_usual.Contains((property.Name, property.Value.GetRawText()))
            && !IsEmpty(property.Value)
            && !SaysNothing(property);

        /// <summary>A rule that holds only what is usual says nothing.</summary>
        private bool SaysNothing(JsonProperty property) =>
            _rules.Contains(property.Name)
            && property.Value.ValueKind == JsonValueKind.Object
            && !property.Value.EnumerateObject().Any(Counts);

        private static bool IsEmpty(JsonElement value) =>
            value.ValueKind switch
            {
                JsonValueKind.Null => true,
                JsonValueKind.Array => value.GetArrayLength() == 0,
                JsonValueKind.Object => !value.EnumerateObject().Any(),
                _ => false,
            };
    }
}
