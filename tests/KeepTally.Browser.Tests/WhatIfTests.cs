using System.Text.Json.Nodes;
using KeepTally.Core.Formats;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;
using KeepTally.Screen;

namespace KeepTally.Browser.Tests;

/// <summary>The quick look of a simulation in the browser is the server's, played less often.</summary>
[Collection("bridge")]
public sealed class WhatIfTests
{
    [Theory]
    [InlineData("three-gates", "make:40 miss:10")]
    [InlineData("minute-trios", "")]
    [InlineData("win-it-score-it", "")]
    [InlineData("corner-calls", "")]
    public void A_quick_look_says_what_the_same_simulation_says_elsewhere(string id, string counts)
    {
        var text = Screen.Shipped(id);
        var card = CardReader.Read(text).Require();
        var known = counts.Length > 0 ? new Dictionary<string, int> { ["make"] = 40, ["miss"] = 10 } : null;
        var skill = DrillSkill.Of(card.Stages[0], 0.6, known)!;
        var expected = DrillForecast.Of(
            card,
            0,
            Simulator.Open(card, 0, skill).Require(),
            skill,
            new SimulationSettings(Duration.FromSeconds(8)) { Given = Duration.FromMinutes(6), Runs = 100 },
            100
        );

        var look = JsonNode.Parse(Bridge.WhatIf(text, 0, 0.6, counts, 6, 8, 100))!;
        Assert.Equal(expected.Words, look["words"]!.AsArray().Select(line => (string)line!));
        Assert.Equal(expected.Charts.Select(chart => chart.Svg), look["charts"]!.AsArray().Select(chart => (string)chart!["svg"]!));
        Assert.NotEmpty(expected.Charts);
    }

    [Fact]
    public void What_cannot_be_simulated_is_nothing() =>
        Assert.Equal("", Bridge.WhatIf(Screen.Shipped("warm-hands"), 0, 0.5, "", 5, 5, 50));
}
