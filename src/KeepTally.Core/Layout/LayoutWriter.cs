using System.Text.Json;
using System.Text.Json.Nodes;
using KeepTally.Core.Measures;

namespace KeepTally.Core.Layout;

/// <summary>Writes a layout, so that it reads again as it was. Source: docs/formats.md, section 6.</summary>
public static class LayoutWriter
{
    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true };

    /// <summary>The layout as JSON.</summary>
    public static JsonObject Write(Diagram diagram)
    {
        var root = new JsonObject
        {
            ["surface"] = FloorOf(diagram.Floor),
            ["marks"] = new JsonArray([.. diagram.Marks.Select(MarkOf)]),
        };
        if (diagram.Ways.Count > 0)
        {
            root["paths"] = new JsonArray([
                .. diagram.Ways.Select(way => new JsonObject
                {
                    ["from"] = way.From,
                    ["to"] = way.To,
                    ["as"] = LayoutChoices.WordOf(way.As),
                    ["step"] = way.Step,
                }),
            ]);
        }

        if (diagram.Steps.Count > 0)
        {
            root["steps"] = new JsonArray([.. diagram.Steps.Select(StepOf)]);
        }

        return root;
    }

    /// <summary>The layout as the text of a file.</summary>
    public static string Text(Diagram diagram) => Write(diagram).ToJsonString(Indented);

    private static JsonNode FloorOf(Ground floor)
    {
        if (floor is { Court: { } whole, Part: Courts.CourtPart.Whole, Length: null, Width: null })
        {
            return JsonValue.Create(whole.Id);
        }

        var surface = new JsonObject();
        if (floor.Court is { } court)
        {
            surface["court"] = court.Id;
        }

        if (floor.Part != Courts.CourtPart.Whole)
        {
            surface["part"] = LayoutChoices.WordOf(floor.Part);
        }

        Put(surface, "length", floor.Length);
        Put(surface, "width", floor.Width);
        return surface;
    }

    private static JsonObject MarkOf(Mark mark)
    {
        var written = new JsonObject();
        if (mark.Id.Length > 0)
        {
            written["id"] = mark.Id;
        }

        written["kind"] = LayoutChoices.WordOf(mark.Kind);
        written["x"] = Distance(mark.X);
        written["y"] = Distance(mark.Y);
        Put(written, "length", Some(mark.Length));
        Put(written, "width", Some(mark.Width));
        Put(written, "height", Some(mark.Height));
        if (mark.Label.Length > 0)
        {
            written["label"] = mark.Label;
        }

        if (mark.In.Length > 0)
        {
            written["in"] = mark.In;
        }

        if (mark.Corners.Count > 0)
        {
            written["corners"] = new JsonArray([
                .. mark.Corners.Select(corner => new JsonArray(Distance(corner.X), Distance(corner.Y))),
            ]);
        }

        return written;
    }

    private static JsonNode StepOf(RepStep step) =>
        step.Seconds is { } seconds ? new JsonObject { ["text"] = step.Text, ["seconds"] = seconds } : JsonValue.Create(step.Text);

    private static Measure? Some(Measure distance) => distance.Amount == 0 ? null : distance;

    private static void Put(JsonObject written, string name, Measure? distance)
    {
        if (distance is { } some)
        {
            written[name] = Distance(some);
        }
    }

    private static JsonValue Distance(Measure distance) =>
        distance.Unit == LengthUnit.Metres ? JsonValue.Create(distance.Amount) : JsonValue.Create(distance.Written);
}
