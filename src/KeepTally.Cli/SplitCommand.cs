using System.CommandLine;
using System.Text.Encodings.Web;
using System.Text.Json;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;

namespace KeepTally.Cli;

/// <summary>
/// <c>tally split --players FILE --groups 3 --how fresh --seed 7 [--history FILE] [--apart A+B] [--together A+B]</c>: the
/// groups, as lists of names.
/// </summary>
internal static class SplitCommand
{
    private static readonly JsonSerializerOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    internal static Command Build()
    {
        var players = new Option<string>("--players")
        {
            Description = "A name a line, or a JSON list of names or of {\"name\", \"positions\", \"level\"}.",
            Required = true,
        };
        var groups = new Option<int>("--groups") { Description = "How many groups.", Required = true };
        var how = new Option<string>("--how")
        {
            Description = "listed, shuffle, level, spread or fresh.",
            DefaultValueFactory = _ => "listed",
        };
        var seed = new Option<int>("--seed") { Description = "The same seed makes the same groups.", DefaultValueFactory = _ => 1 };
        var history = new Option<string?>("--history")
        {
            Description = "A JSON list of splits made lately, each a list of groups of names.",
        };
        var apart = new Option<string[]>("--apart") { Description = "Two names kept apart, as A+B; may be given several times." };
        var together = new Option<string[]>("--together") { Description = "Two names kept together, as A+B." };
        var command = new Command("split", "Split players into even groups.")
        {
            players,
            groups,
            how,
            seed,
            history,
            apart,
            together,
        };
        command.SetAction(parsed =>
        {
            var request = new SplitRequest(
                WayOf(parsed.GetValue(how)!),
                parsed.GetValue(groups),
                parsed.GetValue(seed),
                Pairs("--apart", parsed.GetValue(apart)),
                Pairs("--together", parsed.GetValue(together)),
                parsed.GetValue(history) is { } file ? SplitFiles.Met(file) : new Dictionary<Pair, int>()
            );
            var made = Split.Make(SplitFiles.Players(parsed.GetValue(players)!), request);
            var split = made.IsOk ? made.Value : throw new Unusable($"--{made.Faults[0]}");
            Console.Out.WriteLine(JsonSerializer.Serialize(split.Select(group => group.Select(player => player.Id.Value)), Plain));
        });
        return command;
    }

    private static SplitWay WayOf(string how) =>
        how switch
        {
            "listed" => SplitWay.Listed,
            "shuffle" => SplitWay.Shuffle,
            "level" => SplitWay.Level,
            "spread" => SplitWay.Spread,
            "fresh" => SplitWay.Fresh,
            _ => throw new Unusable($"--how: \"{how}\" is not known here; write listed, shuffle, level, spread or fresh"),
        };

    private static HashSet<Pair> Pairs(string option, string[]? written) =>
        [
            .. (written ?? []).Select(each =>
                each.Split('+', StringSplitOptions.TrimEntries) is [{ Length: > 0 } one, { Length: > 0 } other]
                    ? new Pair(new PlayerId(one), new PlayerId(other))
                    : throw new Unusable($"{option}: \"{each}\" is not a pair; write two names as A+B")
            ),
        ];
}
