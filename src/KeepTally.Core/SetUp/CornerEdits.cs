using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>The edits of the corners of a zone. Each returns another layout.</summary>
public static class CornerEdits
{
    /// <summary>The fewest corners a zone has.</summary>
    public const int Fewest = 3;

    /// <summary>The most corners a zone has.</summary>
    public const int Most = 20;

    /// <summary>A zone that is a rectangle, by its four corners.</summary>
    public static Diagram Of(Diagram diagram, int index, Stride stride) =>
        diagram.Marks[index] is { Kind: MarkKind.Zone, Corners.Count: 0 } mark
            ? With(diagram, index, [.. mark.By(stride).Outline.Select(Written)])
            : diagram;

    /// <summary>A zone with one more corner, midway from the last to the first.</summary>
    public static Diagram More(Diagram diagram, int index, Stride stride)
    {
        var mark = diagram.Marks[index];
        if (mark.Corners.Count is 0 or >= Most)
        {
            return diagram;
        }

        var outline = mark.By(stride).Outline;
        return With(diagram, index, [.. mark.Corners, Written(outline[^1].Toward(outline[0], 0.5))]);
    }

    /// <summary>A zone without one of its corners; the same where it would have too few.</summary>
    public static Diagram Without(Diagram diagram, int index, int corner)
    {
        var mark = diagram.Marks[index];
        return mark.Corners.Count > Fewest ? With(diagram, index, [.. mark.Corners.Where((_, at) => at != corner)]) : diagram;
    }

    /// <summary>The rectangle around a zone, in place of its corners.</summary>
    public static Diagram AsRectangle(Diagram diagram, int index, Stride stride)
    {
        var mark = diagram.Marks[index];
        if (mark.Corners.Count == 0)
        {
            return diagram;
        }

        var outline = mark.By(stride).Outline;
        var (left, near) = (outline.Min(spot => spot.X), outline.Min(spot => spot.Y));
        var (x, y) = Written(new Spot(left, near));
        var (length, width) = Written(new Spot(outline.Max(spot => spot.X) - left, outline.Max(spot => spot.Y) - near));
        return LayoutEdits.With(diagram, index, mark with { X = x, Y = y, Length = length, Width = width, Corners = [] });
    }

    /// <summary>A zone by other corners; where it is told from is its first.</summary>
    public static Diagram With(Diagram diagram, int index, IReadOnlyList<(Measure X, Measure Y)> corners) =>
        LayoutEdits.With(
            diagram,
            index,
            diagram.Marks[index] with
            {
                X = corners[0].X,
                Y = corners[0].Y,
                Length = Measure.Zero,
                Width = Measure.Zero,
                Corners = corners,
            }
        );

    private static (Measure X, Measure Y) Written(Spot spot) =>
        (Measure.OfMetres(Math.Round(spot.X, 3)), Measure.OfMetres(Math.Round(spot.Y, 3)));
}
