using System.Text.Json;

namespace KeepTally.Core.Tests;

/// <summary>A folder of tests/cases: a card, what is asked of it, and the answer.</summary>
public sealed class CheckCase(string name)
{
    private static readonly string Root = Path.Combine(AppContext.BaseDirectory, "cases");

    public string Card => Read("card.json");

    public string Log => Read("log.jsonl");

    public JsonElement Ask => JsonDocument.Parse(Read("ask.json")).RootElement;

    public JsonElement Expected => JsonDocument.Parse(Read("expected.json")).RootElement;

    public string Plan => Read("plan.json");

    /// <summary>The cards of a timing sheet.</summary>
    public IEnumerable<string> Cards => Directory.GetFiles(Path.Combine(Root, name, "cards")).Select(File.ReadAllText);

    /// <summary>Every case there is.</summary>
    public static IEnumerable<string> All => Directory.GetDirectories(Root).Select(folder => Path.GetFileName(folder)!).Order();

    public static IEnumerable<string> With(string file) => All.Where(folder => File.Exists(Path.Combine(Root, folder, file)));

    /// <summary>Where two JSON values differ, or null. Numbers are compared as numbers, so 4 is 4.0.</summary>
    public static string? Difference(JsonElement expected, JsonElement actual, string path = "$")
    {
        if (expected.ValueKind != actual.ValueKind)
        {
            return $"{path}: expected {expected}, got {actual}";
        }

        switch (expected.ValueKind)
        {
            case JsonValueKind.Object:
                var names = expected.EnumerateObject().Select(property => property.Name).ToHashSet();
                var others = actual.EnumerateObject().Select(property => property.Name).ToHashSet();
                return !names.SetEquals(others)
                    ? $"{path}: expected {string.Join(",", names)}, got {string.Join(",", others)}"
                    : names
                        .Select(name => Difference(expected.GetProperty(name), actual.GetProperty(name), $"{path}.{name}"))
                        .FirstOrDefault(found => found is not null);
            case JsonValueKind.Array:
                return expected.GetArrayLength() != actual.GetArrayLength()
                    ? $"{path}: expected {expected.GetArrayLength()} entries, got {actual.GetArrayLength()}"
                    : expected
                        .EnumerateArray()
                        .Zip(actual.EnumerateArray())
                        .Select((pair, index) => Difference(pair.First, pair.Second, $"{path}[{index}]"))
                        .FirstOrDefault(found => found is not null);
            case JsonValueKind.Number:
                return Math.Abs(expected.GetDouble() - actual.GetDouble()) < 1e-12
                    ? null
                    : $"{path}: expected {expected}, got {actual}";
            default:
                return expected.ToString() == actual.ToString() ? null : $"{path}: expected {expected}, got {actual}";
        }
    }

    private string Read(string file) => File.ReadAllText(Path.Combine(Root, name, file));
}
