using System.CommandLine;
using System.Text.Encodings.Web;
using System.Text.Json;
using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;

namespace KeepTally.Cli;

/// <summary>
/// <c>tally rotate --card CARD --players A,B,C --times 3 [--stage 0]</c>, on a card with sides <c>--sides A,B/C,D</c> in place of
/// the players: who stands where, the start first.
/// </summary>
internal static class RotateCommand
{
    private static readonly JsonSerializerOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    internal static Command Build()
    {
        var card = new Option<string>("--card") { Description = "The drill card, JSON.", Required = true };
        var players = new Option<string>("--players") { Description = "Players, with commas between them." };
        var sides = new Option<string>("--sides")
        {
            Description = "The players of each side in the order of the card's sides, with a slash between sides: A,B/C,D.",
        };
        var times = new Option<int>("--times") { Description = "How many rotations.", DefaultValueFactory = _ => 1 };
        var stage = new Option<int>("--stage") { Description = "The stage of the card, from 0." };
        var command = new Command("rotate", "Print who is at which place after each rotation.")
        {
            card,
            players,
            sides,
            times,
            stage,
        };
        command.SetAction(parsed =>
            Console.Out.WriteLine(
                Rotate(
                    parsed.GetValue(card)!,
                    parsed.GetValue(stage),
                    parsed.GetValue(players),
                    parsed.GetValue(sides),
                    parsed.GetValue(times)
                )
            )
        );
        return command;
    }

    private static string Rotate(string cardFile, int stageIndex, string? list, string? sides, int times)
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

        var standing = Standing(stage, list, sides);
        if (standing.Waiting.Count > 0)
        {
            throw new Unusable(
                $"{(sides is null ? "--players" : "--sides")}: {standing.Waiting.Count} of {standing.Everyone.Count} find no place; "
                    + (
                        sides is null && stage.Sides.Count > 0
                            ? $"write --sides with the players of {string.Join(" and ", stage.Sides)}"
                            : "name fewer players or give the card a line"
                    )
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

    private static Placement Standing(Stage stage, string? list, string? sides)
    {
        if ((list is null) == (sides is null))
        {
            throw new Unusable("--players: say who plays; write --players A,B,C, or on a card with sides --sides A,B/C,D");
        }

        if (list is not null)
        {
            return Placement.Fill(stage.Places, Named("--players", list.Split(',')).Select(name => new PlayerId(name)));
        }

        var parts = sides!.Split('/').Select(part => part.Split(',')).ToArray();
        if (parts.Length != stage.Sides.Count)
        {
            throw new Unusable(
                stage.Sides.Count == 0
                    ? "--sides: the stage has no sides; write --players A,B,C"
                    : $"--sides: the stage has {stage.Sides.Count} sides ({string.Join(", ", stage.Sides)}); write the players of each, with a slash between"
            );
        }

        var named = Named("--sides", [.. parts.SelectMany(part => part)]).ToHashSet();
        var sideOf = parts
            .SelectMany((part, index) => part.Select(name => (Name: name.Trim(), Side: stage.Sides[index])))
            .Where(each => named.Contains(each.Name))
            .ToDictionary(each => new PlayerId(each.Name), each => new PlayerId(each.Side));
        return Placement.Fill(stage.Places, sideOf.Keys, player => sideOf[player]);
    }

    private static string[] Named(string option, string[] list)
    {
        var players = list.Select(name => name.Trim()).Where(name => name.Length > 0).ToArray();
        return players.Length == 0 || players.Distinct().Count() != players.Length
            ? throw new Unusable($"{option}: each player is named once; write {(option == "--sides" ? "A,B/C,D" : "A,B,C")}")
            : players;
    }

    private static Dictionary<string, IReadOnlyList<string>> Written(Placement standing) =>
        standing.Places.ToDictionary(
            place => place.Id,
            IReadOnlyList<string> (place) => [.. standing.At(place.Id).Select(player => player.Value)]
        );
}
