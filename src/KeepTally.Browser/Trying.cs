using System.Globalization;
using System.Runtime.InteropServices.JavaScript;
using System.Text.Json;
using KeepTally.Core.Formats;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;
using KeepTally.Screen;

namespace KeepTally.Browser;

/// <summary>Asks what a drill would be like with other figures: the simulation of the server, played less often.</summary>
internal static partial class Bridge
{
    /// <summary>A quick look at a simulation; an empty text where the card cannot be simulated.</summary>
    /// <param name="card">The card's JSON text.</param>
    /// <param name="stage">The stage, from 0.</param>
    /// <param name="share">The share made, from 0 to 1.</param>
    /// <param name="counts">How often each outcome was tapped before, as "goal:12 miss:8".</param>
    /// <param name="minutes">The time there is.</param>
    /// <param name="pace">Seconds from one go to the next.</param>
    /// <param name="runs">How often it is played.</param>
    [JSExport]
    internal static string WhatIf(string card, int stage, double share, string counts, double minutes, double pace, int runs)
    {
        var read = CardReader.Read(card).Require();
        var tapped = counts
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(count => count.Split(':'))
            .ToDictionary(count => count[0], count => int.Parse(count[1], CultureInfo.InvariantCulture));
        if (
            DrillSkill.Of(read.Stages[stage], share, tapped.Count > 0 ? tapped : null) is not { } skill
            || Simulator.Open(read, stage, skill) is not { IsOk: true, Value: { } simulator }
        )
        {
            return "";
        }

        var settings = new SimulationSettings(Duration.FromSeconds(pace)) { Given = Duration.FromMinutes(minutes), Runs = runs };
        var forecast = DrillForecast.Of(read, stage, simulator, skill, settings, Math.Min(runs, 200));
        return JsonSerializer.Serialize(
            new WhatIfView(
                forecast.Words,
                [.. forecast.Charts.Select(chart => new WhatIfChart(chart.Finding, chart.Svg, chart.Key))]
            ),
            ViewJson.Default.WhatIfView
        );
    }
}

/// <summary>A quick look at a simulation.</summary>
/// <param name="Words">The sentences without a picture.</param>
/// <param name="Charts">The pictures.</param>
internal sealed record WhatIfView(IReadOnlyList<string> Words, IReadOnlyList<WhatIfChart> Charts);

/// <summary>A picture of a <see cref="WhatIfView"/>, its sentence and what its marks mean.</summary>
internal sealed record WhatIfChart(string Finding, string Svg, string Key);
