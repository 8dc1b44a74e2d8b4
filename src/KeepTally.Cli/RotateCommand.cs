using System.CommandLine;
using System.Text.Encodings.Web;
using System.Text.Json;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;

namespace KeepTally.Cli;

/// <summary><c>tally rotate --card CARD --players A,B,C --times 3 [--stage 0]</c>: who stands where, the start first.</summary>
internal static class RotateCommand
{
    private static readonly JsonSerializerOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    internal static Command Build()
    {
        var card = new Option<string>("--card") { Description = "The drill card, JSON.", Required = true };
        var players = new Option<string>("--players") { Description = "Players, with commas between them.", Required = true };
        var times = new Option<int>("--times") { Description = "How many rotations.", DefaultValueFactory = _ => 1 };
        var stage = new Option<int>("--stage") { Description = "The stage of the card, from 0." };
        var command = new Command("rotate", "Print who stands where as places move on.") { card, players, times, stage };
        command.SetAction(parsed =>
            Console.Out.WriteLine(
                Rotate(parsed.GetValue(card)!, parsed.GetValue(stage), parsed.GetValue(players)!, parsed.GetValue(times))
            )
        );
        return command;
    }

    private static string Rotate(string cardFile, int stageIndex, string list, int times)
    {
        var card = Unusable.Read(cardFile, CardReader.Read);
        if (stageIndex < 0 || stageIndex >= card.Stages.Count)
        {
            throw new Unusable($"--stage: the card has no stage {stageIndex}; write a stage from 0 to {card.Stages.Count - 1}");
        }

        if (times is < 0 or > 100_000)
        {
            throw new Unusable($"--times: {times} is out of range; write a number from 0 to 100000");
        }

        var stage = card.Stages[stageIndex];
        if (stage.Places.Count == 0)
        {
            throw new Unusable($"{cardFile}: stages[{stageIndex}]: the stage has no places; write places and moves");
        }

        var players = list.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (players.Length == 0 || players.Distinct().Count() != players.Length)
        {
            throw new Unusable("--players: each player is named once; write A,B,C");
        }

        var standing = Placement.Fill(stage.Places, players.Select(name => new PlayerId(name)));
        if (standing.Waiting.Count > 0)
        {
            throw new Unusable(
                $"--players: {standing.Waiting.Count} of {players.Length} find no place; name fewer players or give the card a line"
            );
        }

        var rounds = new List<Dictionary<string, IReadOnlyList<string>>> { Written(standing) };
        for (var i = 0; i < times; i++)
        {
            standing = Rotation.Next(standing, Rotation.Way(stage.Moves, stage.Rotate, i), default);
            rounds.Add(Written(standing));
        }

        return JsonSerializer.Serialize(rounds, Plain);
    }

    private static Dictionary<string, IReadOnlyList<string>> Written(Placement standing) =>
        standing.Places.ToDictionary(
            place => place.Id,
            IReadOnlyList<string> (place) => [.. standing.At(place.Id).Select(player => player.Value)]
        );
}
