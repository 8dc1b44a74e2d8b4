using System.Globalization;
using System.Text.Json.Nodes;

namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>Another way of playing a stage of sides, made from the places it has.</summary>
internal static class VersusTemplate
{
    /// <summary>How many on a side are offered.</summary>
    internal static readonly int[] Usual = [2, 3, 4];

    /// <summary>How many of each side the stage is written for; 0 where its places do not say.</summary>
    internal static int AsWritten(JsonNode? stage)
    {
        var counts = Spots(stage?["places"]).GroupBy(Side, Size).Select(sizes => sizes.Sum()).ToArray();
        return counts.Length == 0 ? 0 : counts.Min();
    }

    /// <summary>
    /// The places of the stage with that number on each side: the first spot of a side takes whatever its others leave. The names
    /// of places stay, so that the moves of the stage hold.
    /// </summary>
    internal static JsonObject Of(JsonNode? stage, int number)
    {
        var places = stage?["places"]?.DeepClone() as JsonArray ?? [];
        foreach (var side in Spots(places).GroupBy(Side))
        {
            var others = side.Skip(1).Sum(Size);
            side.First()["size"] = Math.Max(1, number - others);
        }

        return new JsonObject { ["places"] = places };
    }

    private static IEnumerable<JsonObject> Spots(JsonNode? places) =>
        (places as JsonArray ?? []).OfType<JsonObject>().Where(place => Text(place, "kind") == "spot" && Side(place).Length > 0);

    private static string Side(JsonObject place) => Text(place, "side");

    private static int Size(JsonObject place) =>
        int.TryParse(Text(place, "size"), NumberStyles.None, CultureInfo.InvariantCulture, out var size) ? size : 1;

    private static string Text(JsonObject place, string name) => place[name]?.ToString() ?? "";
}
