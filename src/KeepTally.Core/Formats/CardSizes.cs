using KeepTally.Core.Json;

namespace KeepTally.Core.Formats;

/// <summary>
/// How much a card may hold, so that it stays a card: what no screen could show and no coach could read is a fault with its
/// place. Source: docs/formats.md, section 1.
/// </summary>
internal static class CardSizes
{
    /// <summary>The most characters of a whole card.</summary>
    internal const int Longest = 200_000;

    private const int LongestSentence = 500;
    private const int LongestWords = 120;
    private const int MostItems = 200;

    /// <summary>Texts that stand on a button, in a heading or in a table.</summary>
    private static readonly HashSet<string> Short = ["name", "label", "said", "role", "item", "kind", "id", "reading", "unit"];

    private static readonly Dictionary<string, int> Most = new(StringComparer.Ordinal)
    {
        ["stages"] = 20,
        ["outcomes"] = 24,
        ["sides"] = 8,
        ["places"] = 30,
        ["moves"] = 60,
        ["options"] = 20,
        ["choices"] = 20,
        ["tags"] = 10,
        ["values"] = 30,
        ["zones"] = 40,
        ["until"] = 10,
        ["limits"] = 10,
        ["measure"] = 10,
        ["calls"] = 60,
        ["setUp"] = 30,
        ["cues"] = 30,
        ["faults"] = 30,
        ["cautions"] = 20,
        ["equipment"] = 40,
        ["versus"] = 10,
    };

    /// <summary>Every place of a card that holds too much is a fault.</summary>
    internal static void Check(JsonPlace place) => Check(place, "");

    private static void Check(JsonPlace place, string name)
    {
        if (place.IsText)
        {
            var longest = Short.Contains(name) ? LongestWords : LongestSentence;
            if (place.Element.GetString()!.Length > longest)
            {
                place.Wrong("this is too long", $"write at most {longest} characters");
            }
        }
        else if (place.IsArray)
        {
            var items = place.Items().ToArray();
            Count(place, name, items.Length);
            foreach (var item in items.Take(MostItems))
            {
                Check(item, name);
            }
        }
        else if (place.IsObject)
        {
            var parts = place.Properties().ToArray();
            Count(place, name, parts.Length);
            foreach (var (part, value) in parts.Take(MostItems))
            {
                Check(value, part);
            }
        }
    }

    private static void Count(JsonPlace place, string name, int count)
    {
        var most = Most.GetValueOrDefault(name, MostItems);
        if (count > most && (place.IsArray || Most.ContainsKey(name)))
        {
            place.Wrong($"there are {count} of these", $"write at most {most}");
        }
    }
}
