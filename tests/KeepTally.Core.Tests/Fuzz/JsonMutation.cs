using System.Text.Json;
using System.Text.Json.Nodes;
using KeepTally.Core.Chance;

namespace KeepTally.Core.Tests.Fuzz;

/// <summary>
/// Spoils a JSON text as a hand, a program or a bad cable would: properties go, come twice under other names or change places,
/// values get another kind or leave their bounds, and sometimes the text itself is cut or a character of it is another.
/// </summary>
public static class JsonMutation
{
    private static readonly string[] Odd =
    [
        "",
        " ",
        "null",
        "\u0000",
        "\u202e",
        "Ada\nBea",
        "$run",
        "../..",
        "<script>alert(1)</script>",
        "ß😀",
        new string('x', 3000),
    ];

    private static readonly double[] Extreme =
    [
        0,
        -0.0,
        -1,
        1,
        0.5,
        2.5,
        1e-9,
        63,
        64,
        65,
        500,
        9999,
        1e9,
        2147483648,
        1e15,
        1e300,
    ];

    /// <summary>The text, spoilt in one to four places.</summary>
    /// <param name="json">A text that can be read.</param>
    /// <param name="seed">The same seed spoils it in the same way.</param>
    public static string Of(string json, int seed)
    {
        var draw = new SeededDraw(seed);
        var root = JsonNode.Parse(json)!;
        for (var left = 1 + draw.Below(4); left > 0; left--)
        {
            Spoil(root, draw);
        }

        var text = root.ToJsonString();
        return draw.Below(12) switch
        {
            0 => text[..(int)draw.Below(text.Length)],
            1 => Flip(text, draw),
            _ => text,
        };
    }

    private static string Flip(string text, SeededDraw draw)
    {
        var at = (int)draw.Below(text.Length);
        return $"{text[..at]}{(char)(1 + draw.Below(255))}{text[(at + 1)..]}";
    }

    private static void Spoil(JsonNode root, SeededDraw draw)
    {
        var all = Nodes(root).Where(node => node.Parent is not null).ToArray();
        if (all.Length == 0)
        {
            return;
        }

        var node = all[draw.Below(all.Length)];
        switch (node.Parent)
        {
            case JsonObject owner:
                SpoilProperty(owner, node, draw);
                break;
            case JsonArray list:
                SpoilItem(list, node, draw);
                break;
        }
    }

    private static void SpoilProperty(JsonObject owner, JsonNode node, SeededDraw draw)
    {
        var name = node.GetPropertyName();
        switch (draw.Below(5))
        {
            case 0:
                owner.Remove(name);
                break;
            case 1:
                owner[$"{name}s"] = node.DeepClone();
                break;
            case 2:
                var others = owner.Select(property => property.Key).ToArray();
                owner[others[draw.Below(others.Length)]] = node.DeepClone();
                break;
            default:
                owner[name] = Other(node, draw);
                break;
        }
    }

    private static void SpoilItem(JsonArray list, JsonNode node, SeededDraw draw)
    {
        var at = node.GetElementIndex();
        switch (draw.Below(5))
        {
            case 0:
                list.RemoveAt(at);
                break;
            case 1:
                list.Insert((int)draw.Below(list.Count + 1), node.DeepClone());
                break;
            case 2:
                list.Clear();
                break;
            default:
                list[at] = Other(node, draw);
                break;
        }
    }

    /// <summary>A value of the same kind out of its bounds, or of another kind.</summary>
    private static JsonNode? Other(JsonNode node, SeededDraw draw) =>
        draw.Below(3) == 0
            ? draw.Below(6) switch
            {
                0 => null,
                1 => new JsonObject(),
                2 => new JsonArray(node.DeepClone(), node.DeepClone()),
                3 => true,
                4 => Odd[draw.Below(Odd.Length)],
                _ => Extreme[draw.Below(Extreme.Length)],
            }
            : node.GetValueKind() switch
            {
                JsonValueKind.Number => Extreme[draw.Below(Extreme.Length)],
                JsonValueKind.String => Odd[draw.Below(Odd.Length)],
                JsonValueKind.True or JsonValueKind.False => !node.GetValue<bool>(),
                _ => node.DeepClone(),
            };

    private static IEnumerable<JsonNode> Nodes(JsonNode node)
    {
        yield return node;
        var below = node switch
        {
            JsonObject owner => owner.Select(property => property.Value),
            JsonArray list => list,
            _ => [],
        };
        foreach (var each in below.OfType<JsonNode>().SelectMany(Nodes))
        {
            yield return each;
        }
    }
}
