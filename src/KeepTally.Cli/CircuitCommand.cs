using System.CommandLine;
using System.Text.Json;
using KeepTally.Core.Circuits;

namespace KeepTally.Cli;

/// <summary><c>tally circuit --groups 4 --stations 4 [--reverse]</c>: for each round, the station of each group, from 0; null is a rest.</summary>
internal static class CircuitCommand
{
    private const int Most = 100;

    internal static Command Build()
    {
        var groups = new Option<int>("--groups") { Description = "How many groups.", Required = true };
        var stations = new Option<int>("--stations") { Description = "How many stations.", Required = true };
        var reverse = new Option<bool>("--reverse") { Description = "Groups go round the other way." };
        var command = new Command("circuit", "Print where each group is in each round.") { groups, stations, reverse };
        command.SetAction(parsed =>
            Console.Out.WriteLine(Go(parsed.GetValue(groups), parsed.GetValue(stations), parsed.GetValue(reverse)))
        );
        return command;
    }

    private static string Go(int groups, int stations, bool reverse)
    {
        foreach (var (name, number) in new[] { ("--groups", groups), ("--stations", stations) })
        {
            if (number is < 1 or > Most)
            {
                throw new Unusable($"{name}: {number} is out of range; write a number from 1 to {Most}");
            }
        }

        var circuit = new Circuit(groups, stations, reverse);
        var rounds = Enumerable
            .Range(0, circuit.Rounds)
            .Select(round => Enumerable.Range(0, groups).Select(group => circuit.StationOf(group, round)));
        return JsonSerializer.Serialize(rounds);
    }
}
