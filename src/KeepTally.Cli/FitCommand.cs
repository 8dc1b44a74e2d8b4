using System.CommandLine;
using KeepTally.Core.Formats;
using KeepTally.Core.Simulation;
using KeepTally.Core.Simulation.Exact;
using KeepTally.Core.Time;

namespace KeepTally.Cli;

/// <summary>
/// <c>tally fit --card CARD --stage 0 --skill SKILL [--pace SECONDS] [--runs 20000] [--seed 1] [--cap 10000]</c>: what will come of a
/// drill for such players, as one JSON object.
/// </summary>
internal static class FitCommand
{
    private const int MostRuns = 1_000_000;

    internal static Command Build()
    {
        var card = new Option<string>("--card") { Description = "The drill card, JSON.", Required = true };
        var stage = new Option<int>("--stage") { Description = "The stage of the card, from 0." };
        var skill = new Option<string>("--skill")
        {
            Description = "How goes come out: JSON, or a file of it, as {\"outcomes\": {\"make\": 0.55, \"miss\": 0.45}}.",
            Required = true,
        };
        var pace = new Option<double?>("--pace") { Description = "Seconds from one rep to the next; the card's if left out." };
        var runs = new Option<int>("--runs") { Description = "How many runs to simulate.", DefaultValueFactory = _ => 20_000 };
        var seed = new Option<long>("--seed")
        {
            Description = "The random seed: the same seed gives the same result.",
            DefaultValueFactory = _ => 1,
        };
        var cap = new Option<int>("--cap")
        {
            Description = "The most reps of a run; longer ones are stopped.",
            DefaultValueFactory = _ => 10_000,
        };
        var command = new Command("fit", "Simulate a drill with stand-in players.") { card, stage, skill, pace, runs, seed, cap };
        command.SetAction(parsed =>
        {
            Within("--runs", parsed.GetValue(runs), 1, MostRuns);
            Within("--cap", parsed.GetValue(cap), 1, MostRuns);
            if (parsed.GetValue(pace) is { } given)
            {
                Within("--pace", given, 0.001, 86_400);
            }

            Console.Out.WriteLine(
                Fit(
                    parsed.GetValue(card)!,
                    parsed.GetValue(stage),
                    parsed.GetValue(skill)!,
                    parsed.GetValue(pace),
                    settings =>
                        settings with
                        {
                            Runs = parsed.GetValue(runs),
                            Seed = parsed.GetValue(seed),
                            Cap = parsed.GetValue(cap),
                        }
                )
            );
        });
        return command;
    }

    private static void Within(string name, double number, double least, double most)
    {
        if (number < least || number > most)
        {
            throw new Unusable(
                FormattableString.Invariant($"{name}: {number} is out of range; write a number from {least} to {most}")
            );
        }
    }

    private static string Fit(
        string cardFile,
        int stage,
        string skillText,
        double? pace,
        Func<SimulationSettings, SimulationSettings> with
    )
    {
        var card = Unusable.Read(cardFile, CardReader.Read);
        if (stage < 0 || stage >= card.Stages.Count)
        {
            throw new Unusable($"--stage: {cardFile} has no stage {stage}; write a number from 0 to {card.Stages.Count - 1}");
        }

        // The skill itself, or the name of a file that holds it.
        var (place, text) = skillText.TrimStart().StartsWith('{') ? ("--skill", skillText) : (skillText, Unusable.Text(skillText));
        var skill = Unusable.Require(place, SkillReader.Read(text, card.Stages[stage]));
        var simulator = Unusable.Require(cardFile, Simulator.Open(card, stage, skill));
        var settings = with(new SimulationSettings(Duration.FromSeconds(pace ?? card.SecondsPerRep)));
        return SimulationWriter.Write(simulator.Run(settings), ExactOdds.Of(card.Stages[stage], skill));
    }
}
