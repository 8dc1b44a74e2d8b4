using System.Globalization;
using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Planning;

/// <summary>Writes <c>keep-tally/plan@1</c>; what is as usual is left out. Source: docs/formats.md, section 5.</summary>
public static class PlanWriter
{
    /// <summary>A sheet over many lines, for people to read.</summary>
    public static string Write(Plan plan) =>
        JsonLine.WriteIndented(json =>
        {
            json.WriteStartObject();
            json.WriteString("format", PlanReader.Format);
            WriteText(json, "title", plan.Title);
            WriteText(json, "date", plan.Date?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "");
            json.WriteString(
                "start",
                plan.Start.ToString(plan.Start.Second == 0 ? "HH:mm" : "HH:mm:ss", CultureInfo.InvariantCulture)
            );
            WriteText(json, "place", plan.Place);
            json.WriteNumber("minutes", plan.Minutes);
            json.WriteNumber("players", plan.Players);
            WriteNumber(json, "coaches", plan.Coaches);
            WriteNumber(json, "age", plan.Age);
            if (plan.Equipment is { } things)
            {
                json.WriteStartObject("equipment");
                foreach (var (item, count) in things.OrderBy(each => each.Key, StringComparer.Ordinal))
                {
                    json.WriteNumber(item, count);
                }

                json.WriteEndObject();
            }

            WriteCaps(json, plan.Caps);
            json.WriteStartArray("blocks");
            foreach (var block in plan.Blocks)
            {
                json.WriteStartObject();
                WriteBlock(json, block);
                WriteNumber(json, "change", block.ChangeSeconds == 0 ? null : block.ChangeSeconds);
                WriteTexts(json, "takes", block.Takes);
                json.WriteEndObject();
            }

            json.WriteEndArray();
            json.WriteStartArray("reserve");
            foreach (var card in plan.Reserve)
            {
                json.WriteStringValue(card);
            }

            json.WriteEndArray();
            json.WriteEndObject();
        });

    private static void WriteCaps(Utf8JsonWriter json, Caps caps)
    {
        if (caps == Caps.Usual)
        {
            return;
        }

        json.WriteStartObject("caps");
        WriteNumber(json, "drillMinutes", caps.DrillMinutes);
        WriteNumber(json, "waitSeconds", caps.WaitSeconds);
        WriteNumber(json, "groupSize", caps.GroupSize);
        json.WriteEndObject();
    }

    private static void WriteBlock(Utf8JsonWriter json, PlanBlock block)
    {
        switch (block)
        {
            case PlanBlock.Drill drill:
                json.WriteString("drill", drill.Card);
                json.WriteNumber("minutes", drill.Minutes);
                json.WriteNumber("groups", drill.Groups);
                WriteNumber(json, "stage", drill.Stage);
                if (drill.Options.Count > 0)
                {
                    json.WriteStartObject("options");
                    foreach (var (option, choice) in drill.Options)
                    {
                        json.WriteString(option, choice);
                    }

                    json.WriteEndObject();
                }

                WriteTrue(json, "fitsClock", drill.FitsClock);
                WriteNumber(json, "versus", drill.Versus);
                break;
            case PlanBlock.Circuit circuit:
                json.WriteStartArray("circuit");
                foreach (var station in circuit.Stations)
                {
                    json.WriteStringValue(station);
                }

                json.WriteEndArray();
                json.WriteNumber("minutesEach", circuit.MinutesEach);
                WriteNumber(json, "groups", circuit.Groups);
                WriteNumber(json, "changeSeconds", circuit.BetweenSeconds == 0 ? null : circuit.BetweenSeconds);
                WriteTrue(json, "changeInside", circuit.ChangeInside);
                WriteTrue(json, "reverse", circuit.Reverse);
                WriteTrue(json, "coachesMove", circuit.CoachesMove);
                break;
            case PlanBlock.Break rest:
                json.WriteString("break", rest.Name);
                json.WriteNumber("minutes", rest.Minutes);
                break;
            case PlanBlock.Talk talk:
                json.WriteString("talk", talk.Name);
                json.WriteNumber("minutes", talk.Minutes);
                break;
            default:
                throw new InvalidOperationException("A line no sheet knows.");
        }
    }

    private static void WriteText(Utf8JsonWriter json, string name, string text)
    {
        if (text.Length > 0)
        {
            json.WriteString(name, text);
        }
    }

    private static void WriteTexts(Utf8JsonWriter json, string name, IReadOnlyList<string> texts)
    {
        if (texts.Count == 0)
        {
            return;
        }

        json.WriteStartArray(name);
        foreach (var text in texts)
        {
            json.WriteStringValue(text);
        }

        json.WriteEndArray();
    }

    private static void WriteNumber(Utf8JsonWriter json, string name, double? number)
    {
        if (number is { } value)
        {
            json.WriteNumber(name, value);
        }
    }

    private static void WriteTrue(Utf8JsonWriter json, string name, bool value)
    {
        if (value)
        {
            json.WriteBoolean(name, true);
        }
    }
}
