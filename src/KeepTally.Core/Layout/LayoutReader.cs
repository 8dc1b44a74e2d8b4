using KeepTally.Core.Courts;
using KeepTally.Core.Faults;
using KeepTally.Core.Json;
using KeepTally.Core.Measures;

namespace KeepTally.Core.Layout;

/// <summary>
/// Reads a layout. Source: docs/formats.md, section 6, which leaves its properties open: one not known here is passed over,
/// and told in <see cref="Diagram.PassedOver"/>.
/// </summary>
public sealed class LayoutReader
{
    /// <summary>No field of play is longer, in metres.</summary>
    public const double Farthest = 1000;

    /// <summary>Reads a layout that stands by itself.</summary>
    public static Result<Diagram> Read(string json)
    {
        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        if (document is null)
        {
            return Result.Fail<Diagram>(faults);
        }

        var diagram = Read(JsonPlace.Root(document.RootElement, faults));
        return faults.Count == 0 ? Result.Ok(diagram) : Result.Fail<Diagram>(faults);
    }

    internal static Diagram Read(JsonPlace place) => new LayoutReader().DiagramOf(place);

    private readonly List<Fault> _passedOver = [];

    private LayoutReader() { }

    private Diagram DiagramOf(JsonPlace place)
    {
        _passedOver.AddRange(place.Beside("surface", "marks", "paths", "steps"));
        var marks = place.List("marks", MarkOf);
        CheckIds(place, marks);
        var known = marks.Select(mark => mark.Id).Where(id => id.Length > 0).ToHashSet(StringComparer.Ordinal);
        return new Diagram(FloorOf(place), marks, place.List("paths", path => WayOf(path, known)), StepsOf(place))
        {
            PassedOver = _passedOver,
        };
    }

    private void CheckIds(JsonPlace layout, IReadOnlyList<Mark> marks)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (mark, place) in marks.Zip(layout.Find("marks")?.Items() ?? []))
        {
            if (mark.Id.Length > 0 && !seen.Add(mark.Id))
            {
                _passedOver.Add(
                    new Fault(
                        $"{place.Path}.id",
                        $"two marks are called \"{mark.Id}\"; what goes there goes to the first",
                        "give each its own id"
                    )
                );
            }

            if (
                mark.In.Length > 0
                && !marks.Any(goal => goal.Kind == MarkKind.Goal && goal.Id == mark.In && goal.Height.Amount > 0)
            )
            {
                place
                    .Find("in")
                    ?.Wrong(
                        $"\"{mark.In}\" is no goal with a height",
                        "name a mark of kind goal that has a height, or take this out for a zone of the floor"
                    );
            }
        }
    }

    private Ground FloorOf(JsonPlace layout)
    {
        if (layout.Find("surface") is not { } place)
        {
            return Ground.Plain(Ground.UsualLength, Ground.UsualWidth);
        }

        if (!place.IsObject)
        {
            return new Ground(CourtOf(place), CourtPart.Whole, null, null);
        }

        _passedOver.AddRange(place.Beside("court", "part", "length", "width"));
        var court = place.Find("court") is { } named ? CourtOf(named) : null;
        return new Ground(
            court,
            LayoutChoices.Parts.ReadFrom(place),
            SizeOf(place, "length", court?.Length),
            SizeOf(place, "width", court?.Width)
        );
    }

    private static Court? CourtOf(JsonPlace place)
    {
        var court = CourtList.Find(place.Text());
        if (court is null)
        {
            place.Wrong(
                "the size of this surface is not known here",
                "write {\"length\": 40, \"width\": 20} in metres, or one of "
                    + string.Join(", ", CourtList.All.Select(each => $"\"{each.Id}\""))
            );
        }

        return court;
    }

    private static Measure? SizeOf(JsonPlace surface, string name, Extent? allowed)
    {
        if (surface.Find(name) is not { } place)
        {
            return null;
        }

        var size = DistanceOf(place);
        var metres = size.Metres(Stride.Usual);
        if (metres is < 0.5 or > Farthest)
        {
            place.Wrong("a floor is from 0.5 to 1,000 metres long and wide", "write its size in metres, such as 20");
        }
        else if (allowed is { } extent && (metres < extent.Least - 0.01 || metres > extent.Most + 0.01))
        {
            place.Wrong(
                extent.Varies
                    ? $"the rule book allows {extent.Least:0.##} to {extent.Most:0.##} metres"
                    : $"the rule book says {extent.Usual:0.##} metres",
                "write a size the rule book allows, or leave out the court for a plain rectangle"
            );
        }

        return size;
    }

    private Mark MarkOf(JsonPlace place)
    {
        _passedOver.AddRange(place.Beside("id", "kind", "x", "y", "length", "width", "height", "label", "in", "corners"));
        return new Mark(
            place.TextOr("id", ""),
            LayoutChoices.Kinds.ReadFrom(place),
            Distance(place, "x"),
            Distance(place, "y"),
            Distance(place, "length"),
            Distance(place, "width"),
            place.TextOr("label", "")
        )
        {
            Height = Distance(place, "height"),
            In = place.TextOr("in", ""),
            Corners = CornersOf(place),
        };
    }

    private static List<(Measure X, Measure Y)> CornersOf(JsonPlace mark)
    {
        if (mark.Find("corners") is not { } place)
        {
            return [];
        }

        var corners = new List<(Measure X, Measure Y)>();
        foreach (var corner in place.Items())
        {
            JsonPlace[] pair = [.. corner.Items()];
            if (pair.Length == 2)
            {
                corners.Add((DistanceOf(pair[0]), DistanceOf(pair[1])));
            }
            else
            {
                corner.Wrong("a corner is two distances", "write [x, y]");
            }
        }

        if (corners.Count is < 3 or > 20)
        {
            place.Wrong("a zone has 3 to 20 corners", "write them in order, such as [[0, 0], [4, 0], [2, 3]]");
        }

        return corners;
    }

    private Way WayOf(JsonPlace place, HashSet<string> known)
    {
        _passedOver.AddRange(place.Beside("from", "to", "as", "step"));
        return new Way(End("from"), End("to"), LayoutChoices.Travels.ReadFrom(place), place.Find("step")?.Whole(0, 99) ?? 1);

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

    private List<RepStep> StepsOf(JsonPlace layout)
    {
        if (layout.Find("steps") is not { } place)
        {
            return [];
        }

        if (place.IsArray)
        {
            return [.. place.Items().Select(StepOf)];
        }

        _passedOver.Add(new Fault(place.Path, "this is no list of steps and is passed over", "write [\"what happens first\", …]"));
        return [];
    }

    private RepStep StepOf(JsonPlace place)
    {
        if (place.IsText)
        {
            return new RepStep(place.Text());
        }

        _passedOver.AddRange(place.Beside("text", "seconds"));
        return new RepStep(place.TextOr("text", ""), place.Find("seconds")?.Number(0.1, 600));
    }

    private static Measure Distance(JsonPlace parent, string name) =>
        parent.Find(name) is { } place ? DistanceOf(place) : Measure.Zero;

    /// <summary>Metres as a number, or paces, feet and yards as <c>"4p"</c>, <c>"15ft"</c>, <c>"15yd"</c>.</summary>
    private static Measure DistanceOf(JsonPlace place)
    {
        if (!place.IsText)
        {
            return Measure.OfMetres(place.Number(-Farthest, Farthest));
        }

        var text = place.Text();
        if (Measure.Parse(text) is { } distance && Math.Abs(distance.Metres(new Stride(Stride.Most))) <= Farthest)
        {
            return distance;
        }

        place.Wrong($"\"{text}\" is not a distance", "write metres as a number, or \"4p\", \"15ft\", \"15yd\"");
        return Measure.Zero;
    }
}
