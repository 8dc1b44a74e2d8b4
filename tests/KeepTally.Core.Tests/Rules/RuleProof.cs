using System.Text.Json.Nodes;
using Json.Schema;
using KeepTally.Core.Formats;
using KeepTally.Core.Rulebook;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Rules;

/// <summary>
/// Holds every rule of a set against everything a rule must have: its template reads, validates against the schema, is told in
/// words, changes the print of what scores, and says the same with its defaults written out. What a rule lacks is named.
/// </summary>
internal static class RuleProof
{
    /// <summary>Runs matter to it, so that a rule about runs has something to say.</summary>
    private const string Plain = """
        {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"scores":"player","until":[{"streak":9}],
         "outcomes":[{"id":"make","label":"Make","result":"success","points":1},{"id":"miss","label":"Miss","result":"failure"}]}]}
        """;

    private static readonly Dictionary<string, string> NothingChosen = [];

    internal static IReadOnlyList<string> Problems(RuleSet rules) =>
        [
            .. rules.Stage.SelectMany(kind => Of(rules, kind.Property, JsonNode.Parse(kind.Template)!, kind.Defaults)),
            .. Endings(rules),
            .. rules.Effects.Where(effect => effect.Word != "none").SelectMany(effect => OfEffect(rules, effect.Word)),
        ];

    private static IEnumerable<string> Endings(RuleSet rules)
    {
        var until = rules.Stage.Single(kind => kind.Property == "until");
        return until
            .Choices.Single(choices => choices.Property == "ending")
            .All.SelectMany(ending =>
                Of(rules, "until", new JsonArray(new JsonObject { [ending.Word] = 2 }), until.Defaults)
                    .Select(problem => $"{ending.Word}: {problem}")
            );
    }

    private static IEnumerable<string> Of(
        RuleSet rules,
        string property,
        JsonNode template,
        IReadOnlyList<(string Property, string Json)> defaults
    )
    {
        var (with, without) = (Card(property, template), Card(property, null));
        foreach (var problem in Compared(rules, property, with, without))
        {
            yield return problem;
        }

        foreach (var (name, json) in defaults)
        {
            var written = Card(property, Spelt(template, name, JsonNode.Parse(json)!));
            if (
                CardReader.Read(written, NothingChosen, rules).IsOk
                && ScoringPrint.Of(written, rules) != ScoringPrint.Of(with, rules)
            )
            {
                yield return $"{property}: \"{name}\" written as {json} does not print as if it were left out";
            }
        }
    }

    private static IEnumerable<string> OfEffect(RuleSet rules, string word)
    {
        var card = JsonNode.Parse(Plain)!;
        card["stages"]![0]!["ball"] = "make";
        var without = card.ToJsonString();
        card["stages"]![0]!["outcomes"]![0]!["does"] = new JsonArray(word);
        return Compared(rules, word, card.ToJsonString(), without);
    }

    private static IEnumerable<string> Compared(RuleSet rules, string name, string with, string without)
    {
        var read = CardReader.Read(with, NothingChosen, rules);
        if (!read.IsOk)
        {
            yield return $"{name}: its template does not read: {read.Faults[0]}";
            yield break;
        }

        if (CardWords.InFull(read.Value) == CardWords.InFull(CardReader.Read(without, NothingChosen, rules).Require()))
        {
            yield return $"{name}: it is not told in words";
        }

        if (ScoringPrint.Of(with, rules) == ScoringPrint.Of(without, rules))
        {
            yield return $"{name}: it does not change the print of what scores";
        }

        using var text = System.Text.Json.JsonDocument.Parse(with);
        if (!JsonSchema.FromText(CardSchema.Of(rules)).Evaluate(text.RootElement).IsValid)
        {
            yield return $"{name}: its template does not validate against the schema";
        }
    }

    private static string Card(string property, JsonNode? template)
    {
        var card = JsonNode.Parse(Plain)!;
        if (template is not null)
        {
            card["stages"]![0]![property] = template.DeepClone();
        }
        else if (property == "until")
        {
            card["stages"]![0]!.AsObject().Remove(property);
        }

        return card.ToJsonString();
    }

    /// <summary>The template with a property written out, where it has none of that name.</summary>
    private static JsonNode Spelt(JsonNode template, string name, JsonNode value)
    {
        var spelt = template.DeepClone();
        var holder = spelt as JsonObject ?? (spelt is JsonArray { Count: > 0 } list ? list[0] as JsonObject : null);
        if (holder?.ContainsKey(name) == false)
        {
            holder[name] = value;
        }

        return spelt;
    }
}
