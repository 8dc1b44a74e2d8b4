using System.Globalization;
using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Planning;

/// <summary>Writes the arithmetic of a sheet as <c>tally plan</c> prints it. Source: docs/formats.md, section 5.</summary>
public static class PlanReportWriter
{
    /// <summary>One JSON object on one line.</summary>
    public static string Write(PlanReport report, CardShelf shelf) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteString("start", Time(report, 0));
            json.WriteString("end", Time(report, report.Total));
            json.WriteNumber("total", report.Total);
            json.WriteNumber("slack", report.Slack);
            json.WriteStartArray("blocks");
            foreach (var block in report.Blocks)
            {
                WriteBlock(json, report, block, shelf);
            }

            json.WriteEndArray();
            json.WriteStartArray("warnings");
            foreach (var warning in report.Warnings)
            {
                WriteWarning(json, warning);
            }

            json.WriteEndArray();
            json.WriteEndObject();
        });

    /// <summary>The word of the format for the kind of a line.</summary>
    internal static string KindOf(PlanBlock block) =>
        block switch
        {
            PlanBlock.Drill => "drill",
            PlanBlock.Circuit => "circuit",
            PlanBlock.Break => "break",
            PlanBlock.Talk => "talk",
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };

    /// <summary>The word of the format for a warning.</summary>
    public static string WordFor(WarningCode code) =>
        code switch
        {
            WarningCode.LongDrill => "long-drill",
            WarningCode.GroupTooBig => "group-too-big",
            WarningCode.GroupTooSmall => "group-too-small",
            WarningCode.LongWait => "long-wait",
            WarningCode.ShortOf => "short-of",
            WarningCode.ShortOfCoaches => "short-of-coaches",
            WarningCode.NoWater => "no-water",
            WarningCode.HardJump => "hard-jump",
            WarningCode.UnknownDrill => "unknown-drill",
            WarningCode.OverTime => "over-time",
            WarningCode.NoReserve => "no-reserve",
            _ => throw new InvalidOperationException("A warning no format knows."),
        };

    private static void WriteBlock(Utf8JsonWriter json, PlanReport report, BlockReport block, CardShelf shelf)
    {
        json.WriteStartObject();
        json.WriteNumber("block", block.Index);
        json.WriteString("what", KindOf(block.Block));
        json.WriteString("name", NameOf(block.Block, shelf));
        json.WriteString("start", Time(report, block.From));
        json.WriteString("end", Time(report, block.To));
        json.WriteNumber("seconds", block.To - block.From);
        if (block.Block is PlanBlock.Drill or PlanBlock.Circuit)
        {
            json.WriteStartArray("groupSizes");
            foreach (var size in block.GroupSizes)
            {
                json.WriteNumberValue(size);
            }

            json.WriteEndArray();
        }

        if (block.Block is PlanBlock.Circuit)
        {
            json.WriteStartArray("stations");
            foreach (var station in block.Drills)
            {
                json.WriteStartObject();
                json.WriteString("drill", station.Id);
                WriteActivity(json, station.Activity);
                json.WriteEndObject();
            }

            json.WriteEndArray();
            json.WriteNumber("activeShare", block.ActiveShare ?? 0);
        }
        else if (block.Drills is [{ Card: not null } drill])
        {
            WriteActivity(json, drill.Activity);
            if (block.SuggestedGroups is { } groups)
            {
                json.WriteNumber("suggestGroups", groups);
            }
            else
            {
                json.WriteNull("suggestGroups");
            }
        }

        json.WriteEndObject();
    }

    /// <summary>A circuit has no name of its own; nor has a drill that is not known.</summary>
    private static string? NameOf(PlanBlock block, CardShelf shelf) =>
        block switch
        {
            PlanBlock.Circuit => null,
            PlanBlock.Drill drill when shelf.Find(drill) is null => null,
            _ => shelf.NameOf(block),
        };

    private static void WriteActivity(Utf8JsonWriter json, Activity? activity)
    {
        if (activity is { } busy)
        {
            json.WriteNumber("activeShare", busy.ActiveShare);
            json.WriteNumber("waitSeconds", busy.WaitSeconds);
            json.WriteNumber("repsPerPlayer", busy.RepsPerPlayer);
        }
    }

    private static void WriteWarning(Utf8JsonWriter json, PlanWarning warning)
    {
        json.WriteStartObject();
        json.WriteString("code", WordFor(warning.Code));
        WriteWhole(json, "block", warning.Block, always: true);
        WriteWhole(json, "station", warning.Station);
        json.WriteString("text", warning.Text);
        if (warning.Item is { } item)
        {
            json.WriteString(warning.Code == WarningCode.UnknownDrill ? "drill" : "item", item);
        }

        WriteWhole(json, "needed", warning.Needed);
        WriteWhole(json, "have", warning.Have);
        json.WriteEndObject();
    }

    private static void WriteWhole(Utf8JsonWriter json, string name, int? value, bool always = false)
    {
        if (value is { } number)
        {
            json.WriteNumber(name, number);
        }
        else if (always)
        {
            json.WriteNull(name);
        }
    }

    private static string Time(PlanReport report, double seconds) =>
        report.At(seconds).ToString("HH:mm:ss", CultureInfo.InvariantCulture);
}
