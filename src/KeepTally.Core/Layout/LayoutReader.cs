using System.Globalization;
using KeepTally.Core.Json;

namespace KeepTally.Core.Layout;

/// <summary>
/// Reads what of a layout can be drawn. Section 6 leaves marks open, so properties not known here are passed over and
/// kept in the card's text.
/// </summary>
internal static class LayoutReader
{
    private const double Foot = 0.3048;
    private const double Yard = 0.9144;

    /// <summary>The usual stride until the coach's own is known, in metres.</summary>
    private const double Stride = 0.75;

    internal static Diagram Read(JsonPlace place)
    {
        var marks = place.List("marks", MarkOf);
        var known = marks.Select(mark => mark.Id).ToHashSet(StringComparer.Ordinal);
        return new Diagram(
            SurfaceOf(place),
            marks,
            place.List("paths", path => PathOf(path, known)),
            place.Find("steps") is { IsArray: true } steps
                ? [.. steps.Items().Select(step => step.IsText ? step.Text() : step.TextOr("text", ""))]
                : []
        );
    }

    private static Surface SurfaceOf(JsonPlace layout)
    {
        if (layout.Find("surface") is not { } place)
        {
            return new Surface("", 20, 10);
        }

        if (place.IsObject)
        {
            return new Surface("", Distance(place, "length", 20), Distance(place, "width", 10));
        }

        if (Surface.Of(place.Text()) is { } surface)
        {
            return surface;
        }

        place.Wrong("the size of this surface is not known here", "write {\"length\": 40, \"width\": 20} in metres");
        return new Surface("", 20, 10);
    }

    private static Mark MarkOf(JsonPlace place) =>
        new(
            place.TextOr("id", ""),
            place
                .Find("kind")
                ?.OneOf(
                    ("cone", MarkKind.Cone),
                    ("line", MarkKind.Line),
                    ("zone", MarkKind.Zone),
                    ("goal", MarkKind.Goal),
                    ("disc", MarkKind.Disc),
                    ("ball", MarkKind.Ball),
                    ("player", MarkKind.Player)
                )
                ?? MarkKind.Cone,
            Distance(place, "x", 0),
            Distance(place, "y", 0),
            Distance(place, "length", 0),
            Distance(place, "width", 0),
            place.TextOr("label", "")
        );

    private static Layout.Path PathOf(JsonPlace place, HashSet<string> known)
    {
        return new Layout.Path(
            End("from"),
            End("to"),
            place
                .Find("as")
                ?.OneOf(
                    ("run", Travel.Run),
                    ("pass", Travel.Pass),
                    ("shot", Travel.Shot),
                    ("carry", Travel.Carry),
                    ("rotate", Travel.Rotate)
                )
                ?? Travel.Run,
            place.Find("step")?.Whole(0, 99) ?? 1
        );

        string End(string name)
        {
            var end = place.NeedText(name, "the id of a mark");
            if (end.Length > 0 && !known.Contains(end))
            {
                place.Find(name)?.Wrong($"there is no mark \"{end}\"", "write one of " + string.Join(", ", known));
            }

            return end;
        }
    }

    /// <summary>No field of play is longer, in metres.</summary>
    private const double Farthest = 1000;

    /// <summary>Metres as a number, or paces, feet and yards as <c>"4p"</c>, <c>"15ft"</c>, <c>"15yd"</c>.</summary>
    private static double Distance(JsonPlace parent, string name, double otherwise)
    {
        if (parent.Find(name) is not { } place)
        {
            return otherwise;
        }

        if (!place.IsText)
        {
            return place.Number(-Farthest, Farthest);
        }

        var text = place.Text();
        foreach (var (unit, metres) in new[] { ("ft", Foot), ("yd", Yard), ("p", Stride) })
        {
            if (
                text.EndsWith(unit, StringComparison.Ordinal)
                && double.TryParse(text[..^unit.Length], NumberStyles.Float, CultureInfo.InvariantCulture, out var count)
                && Math.Abs(count * metres) <= Farthest
            )
            {
                return count * metres;
            }
        }

        place.Wrong($"\"{text}\" is not a distance", "write metres as a number, or \"4p\", \"15ft\", \"15yd\"");
        return otherwise;
    }
}
