using System.Globalization;
using System.Text.Json.Nodes;

namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>An edit of the card by a button: add, remove, move up or down, or set up a rule.</summary>
internal static class CardChange
{
    /// <param name="tree">The card, which is changed in place.</param>
    /// <param name="act">The button's word, its path, and what it sets: <c>add stages[0].outcomes</c>, <c>set stages[0].ladder names</c>, <c>care cautions heat</c>, <c>versus stages[0] 2</c>.</param>
    internal static void Do(JsonObject tree, string act)
    {
        var parts = act.Split(' ', 3);
        if (parts.Length < 2)
        {
            return;
        }

        switch (parts[0])
        {
            case "add":
                Add(tree, parts[1]);
                break;
            case "drop":
                FieldPath.Drop(tree, parts[1]);
                break;
            case "up":
                FieldPath.Shift(tree, parts[1], -1);
                break;
            case "down":
                FieldPath.Shift(tree, parts[1], 1);
                break;
            case "set" when parts.Length == 3:
                FieldPath.Set(tree, parts[1], CardTemplates.Rule(parts[2]));
                break;
            case "care" when parts.Length == 3 && parts[1] == "cautions":
                Add(tree, parts[1]);
                FieldPath.Set(
                    tree,
                    $"{parts[1]}[{((JsonArray)FieldPath.Find(tree, parts[1])!).Count - 1}]",
                    CardTemplates.Care(parts[2])
                );
                break;
            case "versus"
                when parts.Length == 3 && int.TryParse(parts[2], NumberStyles.None, CultureInfo.InvariantCulture, out var number):
                FieldPath.Set(tree, $"{parts[1]}.versus.{number}", VersusTemplate.Of(FieldPath.Find(tree, parts[1]), number));
                break;
            case "share":
                Share(tree, parts[1]);
                break;
        }
    }

    private static void Add(JsonObject tree, string path)
    {
        var name = path[(path.LastIndexOf('.') + 1)..];
        if (name is "options" or "tags")
        {
            var map = FieldPath.Find(tree, path) as JsonObject ?? [];
            var key = Enumerable
                .Range(1, map.Count + 1)
                .Select(n => $"{CardTemplates.Key(name)}{(n == 1 ? "" : n)}")
                .First(key => !map.ContainsKey(key));
            FieldPath.Set(tree, $"{path}.{key}", CardTemplates.Item(name, map.Count));
            return;
        }

        if (FieldPath.Find(tree, path) is not JsonArray list)
        {
            list = [];
            FieldPath.Set(tree, path, list);
        }

        list.Add(CardTemplates.Item(name, list.Count));
    }

    /// <summary>Points of one number become points by recipient, or back.</summary>
    private static void Share(JsonObject tree, string path)
    {
        var points = FieldPath.Find(tree, path);
        FieldPath.Set(
            tree,
            path,
            points is JsonObject map
                ? map["self"]?.DeepClone()
                : new JsonObject { ["self"] = points?.DeepClone() ?? 0, ["other"] = 0 }
        );
    }
}
