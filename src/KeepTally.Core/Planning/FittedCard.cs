using System.Text.Json.Nodes;
using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Time;

namespace KeepTally.Core.Planning;

/// <summary>The text of a card with the clock of one stage fitted to the minutes of its block; nothing else changes.</summary>
public static class FittedCard
{
    /// <param name="json">The text of the card.</param>
    /// <param name="card">The same card, read with its house rules chosen.</param>
    /// <param name="stageIndex">Which stage.</param>
    /// <param name="given">How long it is given.</param>
    /// <param name="units">How many units are on the largest sheet: they take their turns by the rounds of some clocks.</param>
    /// <returns>The text, the same where the stage has no clock.</returns>
    public static string Of(string json, DrillCard card, int stageIndex, Duration given, int units)
    {
        if (card.Stages[stageIndex] is not { Clock: { } plan } stage)
        {
            return json;
        }

        var fitted = ClockFit.To(plan, given, ClockFit.Turns(stage, units));
        var node = JsonNode.Parse(json)!;
        var written = node["stages"]![stageIndex]!;
        var clock = written["clock"]!.AsObject();
        Put(clock, plan, fitted);
        if (ClockFit.LimitFor(stage, fitted) is { } limit)
        {
            foreach (var ending in written["until"]!.AsArray().Where(ending => ending!["seconds"] is not null))
            {
                ending!["seconds"] = limit.TotalSeconds;
            }
        }

        return node.ToJsonString();
    }

    private static void Put(JsonObject clock, ClockPlan plan, ClockPlan fitted)
    {
        if (fitted.Rounds != plan.Rounds)
        {
            clock["rounds"] = fitted.Rounds;
        }

        if (fitted.Work != plan.Work)
        {
            clock["work"] = fitted.Work.TotalSeconds;
        }

        if (fitted.BreakAfter is null)
        {
            clock.Remove("breakAfter");
        }
    }
}
