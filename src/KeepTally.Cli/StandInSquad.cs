using System.Text.Json;
using KeepTally.Core.Chance;

namespace KeepTally.Cli;

/// <summary>Made-up players: what they do in one rep, as devices say it, from how practice stands.</summary>
/// <param name="skill">The share of tries made.</param>
/// <param name="draw">The source of random numbers; seeded, so that a run can be repeated.</param>
internal sealed class StandInSquad(double skill, SeededDraw draw)
{
    private const int Parts = 10_000;

    /// <summary>The state of every sheet at work.</summary>
    internal IEnumerable<Dictionary<string, object>> Rep(JsonElement now)
    {
        if (
            now.GetProperty("clock") is not { ValueKind: JsonValueKind.Object } clock
            || clock.GetProperty("state").GetString() != "work"
        )
        {
            yield break;
        }

        foreach (var sheet in now.GetProperty("sheets").EnumerateArray())
        {
            var units = sheet
                .GetProperty("units")
                .EnumerateArray()
                .Where(unit => unit.GetProperty("tapped").GetBoolean())
                .ToArray();
            if (units.Length > 0 && Of(sheet) is { } said)
            {
                said["sheet"] = sheet.GetProperty("sheet").GetString()!;
                said["unit"] = units[(int)draw.Below(units.Length)].GetProperty("id").GetString()!;
                yield return said;
            }
        }
    }

    private Dictionary<string, object>? Of(JsonElement sheet)
    {
        var comesOff = draw.Below(Parts) < skill * Parts;
        if (sheet.GetProperty("zones").GetArrayLength() > 0)
        {
            return new() { ["result"] = comesOff ? "success" : "failure" };
        }

        var outcomes = sheet.GetProperty("outcomes").EnumerateArray().ToArray();
        var fitting = outcomes
            .Where(each => each.GetProperty("result").GetString() == (comesOff ? "success" : "failure"))
            .ToArray();
        var among = fitting.Length > 0 ? fitting : outcomes;
        if (among.Length == 0)
        {
            return null;
        }

        var chosen = among[(int)draw.Below(among.Length)];
        var said = new Dictionary<string, object> { ["press"] = chosen.GetProperty("press").GetInt32() };
        if (chosen.GetProperty("reading").GetString() is not null)
        {
            // Better players read twice as much; what the figure is of nobody knows here.
            said["value"] = Math.Round((1 + skill) * (5 + (draw.Below(Parts) / (double)Parts)), 2);
        }

        return said;
    }
}
