using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>The edits of a layout. Each returns another layout.</summary>
/// <param name="unit">What the coach counts in: what is moved snaps to it.</param>
/// <param name="stride">Whose paces.</param>
public sealed class LayoutEdits(LengthUnit unit, Stride stride)
{
    /// <summary>The stride in which distances are given.</summary>
    public Stride Stride => stride;

    /// <summary>A mark nearer than this to where two lines meet is put there, in metres.</summary>
    private const double Pull = 0.4;

    /// <summary>How far a newly put zone, line or goal reaches, in metres.</summary>
    private const double NewReach = 3;

    /// <summary>A layout with nothing on it, of the sport of a card where its court is known.</summary>
    public static Diagram Empty(IEnumerable<string> sports) =>
        new(
            sports.Select(Courts.CourtList.Find).FirstOrDefault(court => court is not null) is { } court
                ? new Ground(court, Courts.CourtPart.Half, null, null)
                : Ground.Plain(Ground.UsualLength, Ground.UsualWidth),
            [],
            [],
            []
        );

    /// <summary>The distance as it is set out: to the nearest step of the unit.</summary>
    public Measure Snapped(double metres) => Measure.From(metres, unit, stride).Rounded(Measure.SnapOf(unit));

    /// <summary>The layout with one more mark, at a point of the floor.</summary>
    public Diagram Put(Diagram diagram, MarkKind kind, Spot at)
    {
        var (x, y) = Snap(diagram, at);
        var goal = diagram.Floor.Court?.Goal;
        var mark = new Mark(FreeId(diagram, LayoutChoices.WordOf(kind)), kind, x, y, Measure.Zero, Measure.Zero, "");
        mark = kind switch
        {
            MarkKind.Zone => mark with { Length = Snapped(NewReach), Width = Snapped(NewReach) },
            MarkKind.Line => mark with { Width = Snapped(NewReach) },
            MarkKind.Goal => mark with
            {
                Width = Measure.OfMetres(goal?.Width ?? NewReach),
                Height = Measure.OfMetres(goal?.Height ?? 2),
            },
            _ => mark,
        };
        return diagram with { Marks = [.. diagram.Marks, mark] };
    }

    /// <summary>A zone of a name, as a target asks for it; in a goal where one is named.</summary>
    public Diagram PutZone(Diagram diagram, string id, string goal) =>
        diagram with
        {
            Marks =
            [
                .. diagram.Marks,
                new Mark(id, MarkKind.Zone, Measure.Zero, Measure.Zero, Snapped(NewReach), Snapped(NewReach), Text.Phrase.Words(id))
                {
                    In = goal,
                },
            ],
        };

    /// <summary>The mark moved to a point, snapped to the unit and to where lines meet.</summary>
    public Diagram MoveTo(Diagram diagram, int mark, Spot at)
    {
        var (x, y) = Snap(diagram, at);
        return Moved(diagram, mark, x, y);
    }

    /// <summary>The mark moved by steps of the unit.</summary>
    public Diagram Nudge(Diagram diagram, int mark, int right, int far)
    {
        var step = Measure.SnapOf(unit) * Measure.LengthOf(unit, stride);
        var placed = diagram.Marks[mark].By(stride);
        return Moved(diagram, mark, Snapped(placed.At.X + (right * step)), Snapped(placed.At.Y + (far * step)));
    }

    /// <summary>The mark changed in whatever way; its ways follow where its id is another.</summary>
    public static Diagram With(Diagram diagram, int index, Mark mark)
    {
        var old = diagram.Marks[index].Id;
        Mark[] marks = [.. diagram.Marks];
        marks[index] = mark;
        string Now(string id) => id == old && old.Length > 0 ? mark.Id : id;
        return diagram with
        {
            Marks = [.. marks.Select(each => each.In.Length > 0 ? each with { In = Now(each.In) } : each)],
            Ways = [.. diagram.Ways.Select(way => way with { From = Now(way.From), To = Now(way.To) })],
        };
    }

    /// <summary>The layout without a mark and the zones that hang in it, and without the ways to and from any of them.</summary>
    public static Diagram Without(Diagram diagram, int index)
    {
        var id = diagram.Marks[index].Id;
        Mark[] kept = [.. diagram.Marks.Where((mark, at) => at != index && (id.Length == 0 || mark.In != id))];
        var gone = diagram.Marks.Except(kept).Select(mark => mark.Id).Where(name => name.Length > 0).ToHashSet();
        return diagram with
        {
            Marks = kept,
            Ways = [.. diagram.Ways.Where(way => !gone.Contains(way.From) && !gone.Contains(way.To))],
        };
    }

    /// <summary>The layout with one more way.</summary>
    public static Diagram WithWay(Diagram diagram, Way way) => diagram with { Ways = [.. diagram.Ways, way] };

    /// <summary>The layout without a way.</summary>
    public static Diagram WithoutWay(Diagram diagram, int index) =>
        diagram with
        {
            Ways = [.. diagram.Ways.Where((_, at) => at != index)],
        };

    /// <summary>The layout with one more step at the end.</summary>
    public static Diagram WithStep(Diagram diagram, string text) => diagram with { Steps = [.. diagram.Steps, new RepStep(text)] };

    /// <summary>The layout without a step; its ways go with it, and those of later steps move up.</summary>
    public static Diagram WithoutStep(Diagram diagram, int index) =>
        diagram with
        {
            Steps = [.. diagram.Steps.Where((_, at) => at != index)],
            Ways =
            [
                .. diagram
                    .Ways.Where(way => way.Step != index + 1)
                    .Select(way => way.Step > index + 1 ? way with { Step = way.Step - 1 } : way),
            ],
        };

    /// <summary>A name no mark has yet.</summary>
    private static string FreeId(Diagram diagram, string start)
    {
        var number = 1;
        while (diagram.Marks.Any(mark => mark.Id == $"{start}-{number}"))
        {
            number++;
        }

        return $"{start}-{number}";
    }

    private Diagram Moved(Diagram diagram, int index, Measure x, Measure y)
    {
        var mark = diagram.Marks[index];
        // The corners of a zone that is no rectangle go along, in metres.
        var (dx, dy) = (x.Metres(stride) - mark.X.Metres(stride), y.Metres(stride) - mark.Y.Metres(stride));
        return With(
            diagram,
            index,
            mark with
            {
                X = x,
                Y = y,
                Corners =
                [
                    .. mark.Corners.Select(corner =>
                        (
                            Measure.OfMetres(Math.Round(corner.X.Metres(stride) + dx, 3)),
                            Measure.OfMetres(Math.Round(corner.Y.Metres(stride) + dy, 3))
                        )
                    ),
                ],
            }
        );
    }

    private (Measure X, Measure Y) Snap(Diagram diagram, Spot at)
    {
        var surface = diagram.Floor.By(stride);
        var near = surface.Landmarks.Where(mark => surface.Markings.Count > 0).OrderBy(mark => mark.At.To(at)).FirstOrDefault();
        return near is not null && near.At.To(at) < Pull
            ? (Measure.OfMetres(Math.Round(near.At.X, 3)), Measure.OfMetres(Math.Round(near.At.Y, 3)))
            : (Snapped(at.X), Snapped(at.Y));
    }
}
