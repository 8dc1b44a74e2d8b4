using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Simulation;

/// <summary>Writes a fit as the JSON object of docs/formats.md, section 7.</summary>
public static class SimulationWriter
{
    /// <summary>The report as one line of JSON; figures to six decimals.</summary>
    /// <param name="report">The report.</param>
    /// <param name="exact">What can be calculated without playing; null where nothing can.</param>
    public static string Write(SimulationReport report, ExactAnswer? exact = null) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteNumber("runs", report.Runs);
            Figure(json, "finished", report.Finished);
            Spread(json, "reps", report.Reps);
            Spread(json, "seconds", report.Seconds);
            json.WriteStartObject("points");
            foreach (var unit in report.Units)
            {
                Spread(json, unit.Unit.Value, unit.Points);
            }

            json.WriteEndObject();
            json.WriteStartObject("cleared");
            foreach (var unit in report.Units)
            {
                Spread(json, unit.Unit.Value, unit.Cleared);
            }

            json.WriteEndObject();
            json.WriteStartObject("wins");
            foreach (var unit in report.Units)
            {
                Figure(json, unit.Unit.Value, unit.Wins);
            }

            json.WriteEndObject();
            if (exact is not null)
            {
                json.WriteStartObject("exact");
                Figure(json, "reps", exact.Reps);
                if (exact.Wins.Count > 0)
                {
                    json.WriteStartObject("wins");
                    foreach (var (unit, chance) in exact.Wins)
                    {
                        Figure(json, unit.Value, chance);
                    }

                    json.WriteEndObject();
                }

                json.WriteEndObject();
            }

            json.WriteEndObject();
        });

    private static void Spread(Utf8JsonWriter json, string name, Distribution spread)
    {
        json.WriteStartObject(name);
        Figure(json, "mean", spread.Mean);
        Figure(json, "sd", spread.Deviation);
        Figure(json, "p10", spread.Tenth);
        Figure(json, "p50", spread.Half);
        Figure(json, "p90", spread.NineTenths);
        json.WriteEndObject();
    }

    private static void Figure(Utf8JsonWriter json, string name, double value) =>
        json.WriteNumber(name, (decimal)Math.Round(value, 6) / 1.0000000000m);
}
