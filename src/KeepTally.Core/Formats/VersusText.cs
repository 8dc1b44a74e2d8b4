using System.Globalization;
using System.Text.Json.Nodes;

namespace KeepTally.Core.Formats;

/// <summary>
/// The text of a card as it is played with so many on each side. A run keeps it so: what was played stays what it was, whatever
/// becomes of the card.
/// </summary>
public static class VersusText
{
    /// <summary>The properties of a way of playing that belong to the stage; the others belong to the card.</summary>
    private static readonly string[] OfStage = ["name", "places", "moves"];

    /// <param name="json">The text of a card that reads.</param>
    /// <param name="stageIndex">The position of the stage on the card, from 0.</param>
    /// <param name="number">How many play on each side; null where there is one way only.</param>
    /// <returns>The text with that one way, the same where there is only one.</returns>
    public static string Of(string json, int stageIndex, int? number)
    {
        var card = JsonNode.Parse(json)!.AsObject();
        var stage = card["stages"]![stageIndex]!.AsObject();
        if (number is not { } chosen || stage["versus"] is not JsonObject ways)
        {
            return json;
        }

        stage.Remove("versus");
        if (ways[chosen.ToString(CultureInfo.InvariantCulture)] is JsonObject way)
        {
            foreach (var (name, value) in way)
            {
                (OfStage.Contains(name) ? stage : card)[name] = value?.DeepClone();
            }
        }

        return card.ToJsonString();
    }
}
