using System.Text.Json;
using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;

namespace KeepTally.Cli;

/// <summary>Reads who is to be split, and who was together lately.</summary>
internal static class SplitFiles
{
    internal static IReadOnlyList<SplitPlayer> Players(string file)
    {
        var text = Unusable.Text(file);
        var players = text.TrimStart().StartsWith('[')
            ? Json(file, text).EnumerateArray().Select((each, index) => PlayerOf(file, each, index)).ToArray()
            :
            [
                .. text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                    .Select(name => new SplitPlayer(new PlayerId(name), [], null)),
            ];
        var twice = players.GroupBy(player => player.Id).FirstOrDefault(group => group.Count() > 1);
        return twice is null ? players : throw Wrong(file, "", $"\"{twice.Key}\" stands here twice", "name each player once");
    }

    /// <summary>How often each pair was in one group.</summary>
    internal static Dictionary<Pair, int> Met(string file)
    {
        var met = new Dictionary<Pair, int>();
        var splits = Json(file, Unusable.Text(file));
        foreach (var (index, split) in List(file, splits, "").Index())
        {
            foreach (var group in List(file, split, $"[{index}]"))
            {
                var names = List(file, group, $"[{index}]").Select(name => new PlayerId(name.ToString())).ToArray();
                foreach (var pair in names.SelectMany((one, i) => names.Skip(i + 1).Select(other => new Pair(one, other))))
                {
                    met[pair] = met.GetValueOrDefault(pair) + 1;
                }
            }
        }

        return met;
    }

    private static SplitPlayer PlayerOf(string file, JsonElement each, int index) =>
        each.ValueKind switch
        {
            JsonValueKind.String => new SplitPlayer(new PlayerId(each.GetString()!), [], null),
            JsonValueKind.Object when each.TryGetProperty("name", out var name) && name.ValueKind == JsonValueKind.String =>
                new SplitPlayer(
                    new PlayerId(name.GetString()!),
                    each.TryGetProperty("positions", out var positions)
                        ? [.. List(file, positions, $"[{index}].positions").Select(position => position.ToString())]
                        : [],
                    each.TryGetProperty("level", out var level) && level.ValueKind == JsonValueKind.Number
                        ? level.GetDouble()
                        : null
                ),
            _ => throw Wrong(
                file,
                $"[{index}]",
                "a player belongs here",
                "write a name, or {\"name\": …, \"positions\": […], \"level\": …}"
            ),
        };

    private static JsonElement Json(string file, string text)
    {
        try
        {
            return JsonDocument.Parse(text).RootElement;
        }
        catch (JsonException broken)
        {
            throw Wrong(file, $"line {broken.LineNumber + 1}", "this is not JSON", broken.Message.Split(". ")[0].TrimEnd('.'));
        }
    }

    private static JsonElement[] List(string file, JsonElement value, string path) =>
        value.ValueKind == JsonValueKind.Array
            ? [.. value.EnumerateArray()]
            : throw Wrong(file, path, "a list belongs here", "write [ … ]");

    private static Unusable Wrong(string file, string path, string problem, string fix) =>
        Unusable.In(file, new Fault(path, problem, fix));
}
