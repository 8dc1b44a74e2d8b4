using KeepTally.Core.Formats;
using KeepTally.Core.Simulation;
using KeepTally.Core.Simulation.Exact;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Simulation;

/// <summary>Every shipped card, played ahead and told.</summary>
public sealed class ShippedSimulationTests
{
    public static TheoryData<string> Cards =>
        [.. Directory.GetFiles(Path.Combine(AppContext.BaseDirectory, "shipped")).Select(file => Path.GetFileName(file)).Order()];

    [Theory]
    [MemberData(nameof(Cards))]
    public void Every_stage_can_be_played_ahead_and_told(string file)
    {
        var card = CardReader.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "shipped", file))).Require();
        foreach (var (index, stage) in card.Stages.Index())
        {
            if (DrillSkill.Of(stage, 0.55) is not { } skill)
            {
                continue;
            }

            var given = Duration.FromMinutes(Math.Max(1, card.Minutes));
            var fit = Simulator
                .Open(card, index, skill)
                .Require()
                .Run(new SimulationSettings(Duration.FromSeconds(Math.Max(1, card.SecondsPerRep))) { Runs = 50, Given = given });

            Assert.InRange(fit.PlayedOut, 0, fit.Finished);
            Assert.True(fit.Seconds.NineTenths <= given.TotalSeconds);
            Assert.All(SimulationWords.Of(stage, fit, given), words => Assert.EndsWith(".", words, StringComparison.Ordinal));
            Assert.True(Simulator.Open(Untimed.Of(card, index), index, skill).IsOk);
            Assert.True(EvenStart.Of(stage, skill) is null or { Chance: > 0.2 and < 0.8 });
        }
    }
}
