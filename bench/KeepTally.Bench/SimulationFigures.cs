using KeepTally.Core.Formats;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;

namespace KeepTally.Bench;

/// <summary>What it takes to play usual drills ahead, 20,000 times each.</summary>
internal static class SimulationFigures
{
    internal static IEnumerable<Figure> All()
    {
        foreach (var file in Directory.GetFiles(Path.Combine(Server.Root(), "src/KeepTally.Store/Book/Cards"), "*.json").Order())
        {
            var card = CardReader.Read(File.ReadAllText(file)).Require();
            if (DrillSkill.Of(card.Stages[0], 0.5) is not { } skill)
            {
                continue;
            }

            var simulator = Simulator.Open(card, 0, skill).Require();
            var settings = new SimulationSettings(Duration.FromSeconds(Math.Max(1, card.SecondsPerRep)))
            {
                Given = Duration.FromMinutes(Math.Max(1, card.Minutes)),
            };
            var took = Measure.Milliseconds(() => settings, each => simulator.Run(each));
            yield return new Figure($"20,000 runs of {card.Id}", took, "ms", Most: 250);
        }
    }
}
