using System.Globalization;
using System.Text.Json.Nodes;
using KeepTally.Core.Rulebook;

namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>
/// Lays the fields of the editor over the card they were made from. A field is named by its kind and its path, as
/// <c>number:stages[0].until[0].points</c>, so that what the reader finds wrong at a path stands beside its field.
/// What has no field stays as it was.
/// </summary>
internal static class CardForm
{
    private static IEnumerable<string> EndingProperties =>
        StandardRules.Endings.SelectMany(ending => ending.Fields.Select(each => each.Field.Property).Prepend(ending.Property));

    internal static void LayOver(JsonObject tree, IFormCollection form)
    {
        var fields = form.Select(field =>
                (Name: field.Key.Split(':', 2), Values: field.Value.Where(value => value is not null).ToArray())
            )
            .Where(field => field.Name.Length == 2)
            .Select(field => (Kind: field.Name[0], Path: field.Name[1], field.Values))
            .ToArray();
        foreach (var (kind, path, values) in fields)
        {
            LayOne(tree, kind, path, values!);
        }

        foreach (var (_, path, values) in fields.Where(field => field.Kind == "ending"))
        {
            LayEnding(tree, path, values[0]!, form[$"amount:{path}"].ToString());
        }

        foreach (var (_, path, values) in fields.Where(field => field.Kind == "pass"))
        {
            LayPass(tree, path, values[0]!);
        }

        foreach (var (_, path, values) in fields.Where(field => field.Kind == "rename"))
        {
            FieldPath.Rename(tree, path, Plain(values[0]!));
        }
    }

    private static void LayOne(JsonObject tree, string kind, string path, string[] values)
    {
        var value = values.Length > 0 ? values[^1].Trim() : "";
        switch (kind)
        {
            case "text":
                FieldPath.Set(tree, path, value.Length == 0 ? null : JsonValue.Create(value));
                break;
            case "number":
                FieldPath.Set(tree, path, Number(value));
                break;
            case "truth":
                FieldPath.Set(tree, path, value == "true" ? JsonValue.Create(true) : null);
                break;
            case "lines":
                FieldPath.Set(tree, path, List(value.Split('\n')));
                break;
            case "commas":
                FieldPath.Set(tree, path, List(value.Split(',')));
                break;
            case "marks":
                FieldPath.Set(tree, path, InOrder(FieldPath.Find(tree, path) as JsonArray, values));
                break;
            case "numbers":
                FieldPath.Set(tree, path, Numbers(value));
                break;
            case "map":
                FieldPath.Set(tree, path, Map(value));
                break;
        }
    }

    /// <summary>A number as a number; anything else as it stands, for the reader to judge: it may name a house rule.</summary>
    private static JsonValue? Number(string text)
    {
        if (text.Length == 0)
        {
            return null;
        }

        return
            double.TryParse(text.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
            && double.IsFinite(number)
            ? JsonValue.Create(number)
            : JsonValue.Create(text);
    }

    private static JsonArray? List(IEnumerable<string> texts)
    {
        var kept = texts
            .Select(text => text.Trim())
            .Where(text => text.Length > 0)
            .Select(text => (JsonNode)JsonValue.Create(text));
        return kept.ToArray() is { Length: > 0 } items ? new JsonArray(items) : null;
    }

    private static JsonArray? Numbers(string text)
    {
        var items = text.Split([',', ' '], StringSplitOptions.RemoveEmptyEntries).Select(each => (JsonNode?)Number(each)).ToArray();
        return items.Length > 0 ? new JsonArray(items) : null;
    }

    /// <summary>Effects work in their order: those already there keep theirs, new ones come after.</summary>
    private static JsonArray? InOrder(JsonArray? before, string[] ticked)
    {
        var wanted = ticked.Where(each => each.Length > 0).ToArray();
        var kept = (before ?? []).Select(each => each?.ToString() ?? "").Where(wanted.Contains).ToArray();
        return List(kept.Concat(wanted.Except(kept)));
    }

    /// <summary>Lines of <c>value = words</c>.</summary>
    private static JsonObject? Map(string text)
    {
        var map = new JsonObject();
        foreach (var line in text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var parts = line.Split('=', 2, StringSplitOptions.TrimEntries);
            map[parts[0]] = parts[^1];
        }

        return map.Count > 0 ? map : null;
    }

    private static void LayEnding(JsonObject tree, string path, string kind, string amount)
    {
        if (FieldPath.Find(tree, path) is not JsonObject ending)
        {
            return;
        }

        // What goes only with another kind goes; what this kind may say besides its number stays.
        var own = StandardRules.Endings.FirstOrDefault(each => each.Property == kind)?.Fields ?? [];
        foreach (var other in EndingProperties.Except(own.Select(each => each.Field.Property)))
        {
            ending.Remove(other);
        }

        ending[kind] = Number(amount.Trim());
    }

    private static void LayPass(JsonObject tree, string path, string kind)
    {
        if (FieldPath.Find(tree, path) is not JsonObject pass)
        {
            return;
        }

        var count = pass["streak"]?.DeepClone() ?? pass["successes"]?.DeepClone() ?? JsonValue.Create(3);
        switch (kind)
        {
            case "streak":
                pass["streak"] ??= count;
                pass.Remove("successes");
                pass.Remove("of");
                pass.Remove("stop");
                break;
            case "makes":
                pass["successes"] ??= count;
                pass.Remove("streak");
                pass.Remove("of");
                pass.Remove("stop");
                break;
            case "window":
                pass["successes"] ??= count;
                pass["of"] ??= JsonValue.Create(7);
                pass.Remove("streak");
                break;
        }
    }

    /// <summary>A name that can stand in a path.</summary>
    private static string Plain(string name) =>
        string.Concat(name.Trim().Select(letter => char.IsLetterOrDigit(letter) || letter is '-' or '_' ? letter : '-'));
}
