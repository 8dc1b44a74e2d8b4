using System.Globalization;
using System.Text.Json.Nodes;

namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>The way to a value of a card, written as faults write it: <c>stages[0].until[1].lead</c>.</summary>
internal static class FieldPath
{
    internal static JsonNode? Find(JsonNode? tree, string path)
    {
        foreach (var step in Steps(path))
        {
            tree = Step(tree, step);
        }

        return tree;
    }

    /// <summary>Writes a value, or takes it out where it is null. A way through a list that is not there is passed over.</summary>
    internal static void Set(JsonObject tree, string path, JsonNode? value)
    {
        var steps = Steps(path);
        if (steps.Length == 0)
        {
            return;
        }

        JsonNode? at = tree;
        foreach (var step in steps[..^1])
        {
            var next = Step(at, step);
            if (next is null && at is JsonObject parent && value is not null)
            {
                parent[step] = next = new JsonObject();
            }

            at = next;
        }

        switch (at)
        {
            case JsonObject parent when value is null:
                parent.Remove(steps[^1]);
                break;
            case JsonObject parent:
                parent[steps[^1]] = value;
                break;
            case JsonArray list when Index(steps[^1]) is { } index && index < list.Count && value is not null:
                list[index] = value;
                break;
        }
    }

    /// <summary>Takes an item out of its list, or a property out of its object.</summary>
    internal static void Drop(JsonObject tree, string path)
    {
        var (parent, last) = Split(tree, path);
        switch (parent)
        {
            case JsonObject map:
                map.Remove(last);
                break;
            case JsonArray list when Index(last) is { } index && index < list.Count:
                list.RemoveAt(index);
                break;
        }
    }

    /// <summary>Moves an item of a list by so many places, as far as there is room.</summary>
    internal static void Shift(JsonObject tree, string path, int by)
    {
        var (parent, last) = Split(tree, path);
        if (parent is JsonArray list && Index(last) is { } index && index + by >= 0 && index + by < list.Count)
        {
            var item = list[index];
            list.RemoveAt(index);
            list.Insert(index + by, item);
        }
    }

    /// <summary>Gives a property another name in the same place among its neighbours.</summary>
    internal static void Rename(JsonObject tree, string path, string name)
    {
        var (parent, last) = Split(tree, path);
        if (name == last || name.Length == 0 || parent is not JsonObject map || map.ContainsKey(name) || !map.ContainsKey(last))
        {
            return;
        }

        var pairs = map.ToArray();
        map.Clear();
        foreach (var (key, value) in pairs)
        {
            map[key == last ? name : key] = value;
        }
    }

    private static (JsonNode? Parent, string Last) Split(JsonObject tree, string path)
    {
        var steps = Steps(path);
        if (steps.Length == 0)
        {
            return (null, "");
        }

        JsonNode? at = tree;
        foreach (var step in steps[..^1])
        {
            at = Step(at, step);
        }

        return (at, steps[^1]);
    }

    private static string[] Steps(string path) =>
        path.Replace("[", ".", StringComparison.Ordinal)
            .Replace("]", "", StringComparison.Ordinal)
            .Split('.', StringSplitOptions.RemoveEmptyEntries);

    private static JsonNode? Step(JsonNode? at, string step) =>
        at switch
        {
            JsonObject map => map[step],
            JsonArray list when Index(step) is { } index && index < list.Count => list[index],
            _ => null,
        };

    private static int? Index(string step) =>
        int.TryParse(step, NumberStyles.None, CultureInfo.InvariantCulture, out var index) ? index : null;
}
