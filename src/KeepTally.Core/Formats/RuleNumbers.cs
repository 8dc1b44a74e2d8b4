using System.Globalization;
using System.Text.Json.Nodes;
using KeepTally.Core.Rulebook;

namespace KeepTally.Core.Formats;

/// <summary>A number of a card that decides how a stage is judged: k of n, what ends it, from one step to the next.</summary>
/// <param name="Path">Where it stands on the card, as <c>stages[0].ladder.pass.successes</c>.</param>
/// <param name="Label">What it is, for a coach.</param>
/// <param name="Value">The number as the card has it.</param>
public sealed record RuleNumber(string Path, string Label, double Value);

/// <summary>Finds the numbers a stage is judged by, and makes the card with others in their place.</summary>
public static class RuleNumbers
{
    private static readonly (string Name, string Label)[] OfPass =
    [
        ("successes", "makes to clear a step"),
        ("of", "goes in a window"),
        ("streak", "in a row to clear a step"),
    ];

    private static readonly (string Name, string Label)[] OfRungs = [("start", "the first step"), ("step", "from step to step")];

    /// <summary>The numbers of a stage, in the order of the card; none that a house rule stands for.</summary>
    /// <param name="card">A card that reads.</param>
    /// <param name="stage">The stage of the card.</param>
    public static IReadOnlyList<RuleNumber> Of(string card, int stage)
    {
        var path = string.Create(CultureInfo.InvariantCulture, $"stages[{stage}]");
        var node = JsonNode.Parse(card)!["stages"]![stage]!;
        return
        [
            .. Numbers(node["ladder"]?["rungs"], $"{path}.ladder.rungs", OfRungs),
            .. Numbers(node["ladder"]?["pass"], $"{path}.ladder.pass", OfPass),
            .. (node["until"] as JsonArray ?? []).SelectMany(
                (ending, index) =>
                    Numbers(
                        ending,
                        string.Create(CultureInfo.InvariantCulture, $"{path}.until[{index}]"),
                        [
                            .. StandardRules.Endings.Select(kind => (kind.Property, $"{kind.Label} that end it")),
                            .. StandardRules
                                .Endings.SelectMany(kind => kind.Fields)
                                .Select(field => (field.Field.Property, field.Field.Label)),
                        ]
                    )
            ),
        ];
    }

    /// <summary>The card with other numbers; what is no number of the stage is passed over. It may not read any more: that is for the reader to say.</summary>
    public static string With(string card, int stage, IReadOnlyDictionary<string, double> numbers)
    {
        var known = Of(card, stage).Where(number => numbers.ContainsKey(number.Path)).ToArray();
        var root = JsonNode.Parse(card)!;
        foreach (var number in known)
        {
            var node = root["stages"]![stage]!;
            var steps = number.Path[(number.Path.IndexOf('.', StringComparison.Ordinal) + 1)..].Split('.');
            foreach (var step in steps[..^1])
            {
                var bracket = step.IndexOf('[', StringComparison.Ordinal);
                node =
                    bracket < 0
                        ? node[step]!
                        : node[step[..bracket]]![int.Parse(step[(bracket + 1)..^1], CultureInfo.InvariantCulture)]!;
            }

            node[steps[^1]] = numbers[number.Path];
        }

        return root.ToJsonString();
    }

    private static IEnumerable<RuleNumber> Numbers(JsonNode? node, string path, IEnumerable<(string Name, string Label)> known) =>
        node is not JsonObject
            ? []
            : known
                .DistinctBy(each => each.Name)
                .Where(each => node[each.Name] is JsonValue value && value.TryGetValue<double>(out _))
                .Select(each => new RuleNumber($"{path}.{each.Name}", each.Label, node[each.Name]!.GetValue<double>()));
}
