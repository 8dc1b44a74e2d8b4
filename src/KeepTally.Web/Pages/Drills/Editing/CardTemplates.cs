using System.Globalization;
using System.Text.Json.Nodes;
using KeepTally.Core.Rulebook;
using KeepTally.Core.Words;

namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>The templates of a new card and of its parts.</summary>
internal static class CardTemplates
{
    private const string Stage = """
        {"name":"Stage","scores":"player","play":"together","outcomes":[
          {"id":"make","label":"Make","key":"g","result":"success","points":1},
          {"id":"miss","label":"Miss","key":"m","result":"failure"}]}
        """;

    internal static JsonObject NewCard() =>
        (JsonObject)Parsed(
            $$"""
            {"format":"keep-tally/drill@1","id":"","name":"","purpose":"","sports":["any sport"],"skills":[],"intensity":3,
             "players":{"min":2,"best":4,"max":6},"minutes":8,"secondsPerRep":8,
             "equipment":[{"item":"ball","count":1,"per":"group"}],"coaches":1,"stages":[{{Stage}}]}
            """
        );

    /// <summary>The name an option or a tag begins with.</summary>
    internal static string Key(string list) => list == "tags" ? "tag" : "rule";

    /// <summary>A new item of a list of the card.</summary>
    internal static JsonNode Item(string list, int count) =>
        Parsed(
            list switch
            {
                "stages" => Stage,
                "outcomes" => $$"""{"id":"tap{{Number(count + 1)}}","label":"New","result":"neutral"}""",
                "places" => $$"""{"id":"place{{Number(count + 1)}}","kind":"spot","size":1,"active":true}""",
                "moves" => """{"from":"","to":"","who":"all"}""",
                "equipment" => """{"item":"cone","count":4,"per":"group"}""",
                "cautions" => """{"kind":"contact","text":""}""",
                "options" => """{"label":"A miss","choices":{"zero":"back to zero","hold":"does not count"},"default":"zero"}""",
                _ => PartOfRule(list),
            }
        )!;

    /// <summary>A caution of a kind, with the usual words; without them where the kind is none of the usual ones.</summary>
    internal static JsonNode Care(string kind) =>
        new JsonObject
        {
            ["kind"] = kind,
            ["text"] = CautionWords.Usual.FirstOrDefault(caution => caution.Kind == kind)?.Text ?? "",
        };

    /// <summary>A rule that is there or not.</summary>
    internal static JsonNode? Rule(string name) =>
        Parsed(
            name switch
            {
                "clock" => """{"work":60,"rounds":1,"countIn":5,"calls":[30,10,5,4,3,2,1]}""",
                "break" => """{"round":1,"seconds":60}""",
                "surprise" => """{"min":5,"max":20}""",
                "rotate" => """{"on":"round","every":1}""",
                "load" => """{"kind":"throw","per":"attempt"}""",
                _ => PartOfRule(name),
            }
        );

    /// <summary>The template of a rule of scoring or a part of it; the rule provides it.</summary>
    private static string PartOfRule(string name) =>
        StandardRules.All.Stage.Select(kind => kind.Parts.GetValueOrDefault(name)).FirstOrDefault(part => part is not null)
        ?? "null";

    private static JsonNode Parsed(string json) => JsonNode.Parse(json)!;

    private static string Number(int number) => number.ToString(CultureInfo.InvariantCulture);
}
