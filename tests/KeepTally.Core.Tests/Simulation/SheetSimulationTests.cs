using KeepTally.Core.Identity;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Simulation;

/// <summary>A whole timing sheet, and what luck alone makes of those who are alike.</summary>
public sealed class SheetSimulationTests
{
    [Fact]
    public void Tries_are_added_up_and_a_drill_of_several_groups_is_over_when_the_last_is()
    {
        // 100 sure, then 10 to 40; then two groups: tries 1 and 3, 2 and 4 side by side, so 30 and 40.
        var sheet = SheetSimulation.Of(165, 100, [([10, 20, 30, 40], 1), ([10, 20, 30, 40], 2)]);

        // 100 + 10 + 30, 100 + 20 + 40, 100 + 30 + 30, 100 + 40 + 40.
        Assert.Equal(new SheetSimulation(165, 0.75, 160), sheet);
        Assert.Equal(0.5, SheetSimulation.Unfinished([10, 20, 30, 40], 1, 20));
        Assert.Equal(1, SheetSimulation.Unfinished([10, 20, 30, 40], 2, 20));
        Assert.Equal(new SheetSimulation(99, 0, 100), SheetSimulation.Of(99, 100, []));
        Assert.Equal(double.PositiveInfinity, SheetSimulation.Of(99, 0, [([double.PositiveInfinity], 1)]).Half);
    }

    /// <summary>Of four with one go each at one in two, all make it or all miss it in two of sixteen cases; else they end a point apart.</summary>
    [Fact]
    public void Luck_alone_parts_those_who_are_alike()
    {
        var card = Given.Card(""" "play":"together","until":[{"attempts":1}] """);
        var skill = SkillReader.Read("""{"outcomes":{"make":0.5,"miss":0.5}}""", card.Stages[0]).Require();
        const int Runs = 40_000;
        var fit = Simulator.Open(card, 0, skill).Require().Run(new SimulationSettings(Duration.FromSeconds(1)) { Runs = Runs });

        var sure = 4 * Math.Sqrt(0.875 * 0.125 / (Runs / UnitSimulation.Alike));
        Assert.InRange(fit.Units[0].Apart, 0.875 - sure, 0.875 + sure);
    }

    [Fact]
    public void How_long_it_lasts_try_by_try_is_what_the_report_tells()
    {
        var card = Given.Card(""" "play":"together","until":[{"successes":3}] """);
        var skill = SkillReader.Read("""{"outcomes":{"make":0.6,"miss":0.4}}""", card.Stages[0]).Require();
        var simulator = Simulator.Open(card, 0, skill).Require();
        var settings = new SimulationSettings(Duration.FromSeconds(2)) { Runs = 999 };

        Assert.Equal(simulator.Run(settings).Seconds.Mean, simulator.Lasts(settings).Average(), 9);
        Assert.All(simulator.Lasts(settings with { Cap = 2 }), seconds => Assert.Equal(double.PositiveInfinity, seconds));
    }

    /// <summary>Three makes at six seconds a go and one in two take six goes on the mean (negative binomial): in the middle five, at a pace of one player alone.</summary>
    [Fact]
    public void The_editor_says_how_long_a_card_takes()
    {
        var words = Assert.Single(
            CardForecast.Of(
                Given.Card(""" "play":"together","until":[{"successes":3}] """) with
                {
                    SecondsPerRep = 6,
                    Players = new(1, 1, 2),
                    Minutes = 2,
                }
            )
        );

        Assert.Contains("at 50 % made 0:30", words, StringComparison.Ordinal);
        Assert.Contains("the card allows 2 minutes", words, StringComparison.Ordinal);
        Assert.Empty(CardForecast.Of(Given.Card(""" "play":"together","until":[{"seconds":60}] """)));
    }
}
