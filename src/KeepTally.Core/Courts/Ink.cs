using KeepTally.Core.Measures;

namespace KeepTally.Core.Courts;

/// <summary>Shapes that courts are painted of. What is given for the left end is painted at the right one, too, by <see cref="BothEnds"/>.</summary>
internal static class Ink
{
    internal static Marking Along(double x1, double x2, double y, bool dashed = false) =>
        new Marking.Line(new(x1, y), new(x2, y), dashed);

    internal static Marking Across(double x, double y1, double y2, bool dashed = false) =>
        new Marking.Line(new(x, y1), new(x, y2), dashed);

    internal static Marking Circle(double x, double y, double radius, bool dashed = false) =>
        new Marking.Arc(new(x, y), radius, 0, 360, dashed);

    internal static Marking Arc(double x, double y, double radius, double from, double to, bool dashed = false) =>
        new Marking.Arc(new(x, y), radius, from, to, dashed);

    internal static Marking Dot(double x, double y) => new Marking.Point(new(x, y));

    internal static Marking Net(double x1, double y1, double x2, double y2) => new Marking.Stands(new(x1, y1), new(x2, y2));

    internal static IEnumerable<Marking> Box(double x, double y, double length, double width, bool dashed = false) =>
        [
            Along(x, x + length, y, dashed),
            Across(x + length, y, y + width, dashed),
            Along(x, x + length, y + width, dashed),
            Across(x, y, y + width, dashed),
        ];

    /// <summary>The outline of a floor.</summary>
    internal static IEnumerable<Marking> Outline(double length, double width) => Box(0, 0, length, width);

    /// <summary>A line at a distance from a goal mouth: quarter circles round its posts, and a straight piece between.</summary>
    internal static IEnumerable<Marking> Round(double middle, double mouth, double radius, double width, bool dashed = false)
    {
        var (low, high) = (middle - (mouth / 2), middle + (mouth / 2));
        // Where the line would leave the floor at its sides it ends there.
        var reach = radius > low ? Math.Acos(low / radius) * 180 / Math.PI : 0;
        yield return Arc(0, low, radius, -90 + reach, 0, dashed);
        yield return Across(radius, low, high, dashed);
        yield return Arc(
            0,
            high,
            radius,
            0,
            90 - (radius > width - high ? Math.Acos((width - high) / radius) * 180 / Math.PI : 0),
            dashed
        );
    }

    /// <summary>Returns the markings of the left end at both ends of a floor of that length and width, turned by 180 degrees.</summary>
    internal static IEnumerable<Marking> BothEnds(double length, double width, params IEnumerable<Marking>[] left)
    {
        return left.SelectMany(each => each).SelectMany(mark => new[] { mark, Turned(mark) });

        Marking Turned(Marking mark) =>
            mark switch
            {
                Marking.Line line => line with { From = Turn(line.From), To = Turn(line.To) },
                Marking.Stands stands => stands with { From = Turn(stands.From), To = Turn(stands.To) },
                Marking.Point point => point with { At = Turn(point.At) },
                Marking.Arc arc => arc with { Middle = Turn(arc.Middle), From = arc.From + 180, To = arc.To + 180 },
                _ => throw new InvalidOperationException("A marking nobody knows."),
            };

        Spot Turn(Spot at) => new(length - at.X, width - at.Y);
    }
}
