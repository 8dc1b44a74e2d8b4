using System.Text.Json;
using KeepTally.Core.Circuits;
using KeepTally.Core.Dealing;

namespace KeepTally.Browser;

/// <summary>
/// Reads a practice as the server hands it over. It walks the parsed text itself: a serializer sets itself up for every type
/// before it reads the first one, which is half a second of a page's opening in the interpreter.
/// </summary>
internal static class PracticeReader
{
    internal static PracticeFile Read(string json)
    {
        using var document = JsonDocument.Parse(json);
        var root = document.RootElement;
        return new PracticeFile(
            List(root, "runs", Run) ?? [],
            List(root, "habits", static habit => habit.GetString()!),
            Find(root, "limits") is { } limits ? Map(limits, static limit => (Restrictions)limit.GetInt32()) : null,
            Find(root, "spare")?.GetInt64() ?? 0,
            List(root, "loads", Load),
            Find(root, "hidesScores")?.GetBoolean() ?? false
        );
    }

    /// <summary>Tags by their names, as the pad sends them with a tap.</summary>
    internal static IReadOnlyDictionary<string, string> Tags(string json)
    {
        using var document = JsonDocument.Parse(json);
        return Map(document.RootElement, static tag => tag.GetString()!);
    }

    internal static ChangeFile Change(string json)
    {
        using var document = JsonDocument.Parse(json);
        var root = document.RootElement;
        return new ChangeFile(Text(root, "off"), Text(root, "in"), Text(root, "sheet"));
    }

    private static RunFile Run(JsonElement run) =>
        new(
            Text(run, "name") ?? "",
            Text(run, "card") ?? "",
            List(run, "sheets", Sheet) ?? [],
            Find(run, "minutes")?.GetDouble() ?? 0,
            Text(run, "id") ?? "",
            Find(run, "due")?.GetInt64()
        );

    private static SheetFile Sheet(JsonElement sheet) =>
        new(
            Text(sheet, "id") ?? "",
            Text(sheet, "name") ?? "",
            Text(sheet, "head") ?? "",
            List(sheet, "events", static line => line.GetString()!) ?? [],
            Text(sheet, "card"),
            Find(sheet, "stop") is { } stop
                ? new CircuitStop(Whole(stop, "round"), Whole(stop, "station"), Whole(stop, "group"))
                : null,
            Find(sheet, "bests") is { } bests ? Bests(bests) : null,
            Text(sheet, "cardOf")
        );

    private static BestsFile Bests(JsonElement bests) =>
        new(
            Find(bests, "own") is { } own ? Map(own, static best => best.GetDouble()) : new Dictionary<string, double>(),
            Find(bests, "squad")?.GetDouble()
        );

    private static LoadFile Load(JsonElement load) =>
        new(
            Text(load, "player") ?? "",
            Text(load, "kind") ?? "",
            Whole(load, "before"),
            Whole(load, "most"),
            load.GetProperty("rests").GetBoolean()
        );

    private static JsonElement? Find(JsonElement owner, string name) =>
        owner.TryGetProperty(name, out var value) && value.ValueKind != JsonValueKind.Null ? value : null;

    private static string? Text(JsonElement owner, string name) => Find(owner, name)?.GetString();

    private static int Whole(JsonElement owner, string name) => owner.GetProperty(name).GetInt32();

    private static List<T>? List<T>(JsonElement owner, string name, Func<JsonElement, T> read)
    {
        if (Find(owner, name) is not { } list)
        {
            return null;
        }

        var items = new List<T>(list.GetArrayLength());
        foreach (var item in list.EnumerateArray())
        {
            items.Add(read(item));
        }

        return items;
    }

    private static Dictionary<string, T> Map<T>(JsonElement owner, Func<JsonElement, T> read)
    {
        var map = new Dictionary<string, T>();
        foreach (var property in owner.EnumerateObject())
        {
            map[property.Name] = read(property.Value);
        }

        return map;
    }
}
