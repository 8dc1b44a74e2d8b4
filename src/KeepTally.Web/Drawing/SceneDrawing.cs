using System.Globalization;
using System.Xml.Linq;
using KeepTally.Core.Courts;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;

namespace KeepTally.Web.Drawing;

/// <summary>
/// What every drawing of a layout is made of, as SVG and to scale: one unit of the drawing is one metre. The floor's y runs up,
/// the drawing's down.
/// </summary>
/// <param name="scene">What is drawn.</param>
/// <param name="key">Tells it from other drawings of the page.</param>
/// <param name="pacing">the reader's units and stride.</param>
public abstract class SceneDrawing(Scene scene, string key, Pacing pacing)
{
    private protected Pacing Pacing { get; } = pacing;

    private protected Scene Scene { get; } = scene;

    /// <summary>The size a cone is drawn at, in metres; all that is no size of the floor goes by it.</summary>
    private protected virtual double Unit => Math.Max(Scene.Surface.Length, Scene.Surface.Width * 1.6) / 60;

    private protected XElement Frame(string kind, string words, IEnumerable<XElement> parts, (Spot Low, Spot High) bounds)
    {
        var (low, high) = bounds;
        var (scale, scaleWords) = ScaleBar(high.X - low.X);
        return new XElement(
            "svg",
            new XAttribute(
                "viewBox",
                $"{N(low.X)} {N(Scene.Surface.Width - high.Y)} {N(high.X - low.X)} {N(high.Y - low.Y + (Unit * 3.4))}"
            ),
            new XAttribute("class", $"scene {kind}"),
            new XAttribute("role", "img"),
            new XAttribute("aria-label", words),
            new XElement(
                "defs",
                new XElement(
                    "marker",
                    new XAttribute("id", $"arrow-{key}"),
                    new XAttribute("viewBox", "0 0 10 10"),
                    new XAttribute("refX", "9"),
                    new XAttribute("refY", "5"),
                    new XAttribute("markerWidth", "4.5"),
                    new XAttribute("markerHeight", "4.5"),
                    new XAttribute("markerUnits", "strokeWidth"),
                    new XAttribute("orient", "auto-start-reverse"),
                    new XElement("path", new XAttribute("d", "M0 0 10 5 0 10z"))
                ),
                new XElement(
                    "clipPath",
                    new XAttribute("id", $"floor-{key}"),
                    new XElement(
                        "rect",
                        new XAttribute("x", N(low.X)),
                        new XAttribute("y", N(Scene.Surface.Width - high.Y)),
                        new XAttribute("width", N(Scene.Surface.Length + (Unit * 0.2) - low.X)),
                        new XAttribute("height", N(high.Y - low.Y))
                    )
                )
            ),
            parts,
            new XElement(
                "g",
                new XAttribute("class", "scale-bar"),
                new XAttribute("stroke-width", N(Unit * 0.25)),
                new XElement(
                    "path",
                    new XAttribute(
                        "d",
                        $"M{N(0)} {N(Scene.Surface.Width - low.Y + (Unit * 0.8))} v{N(Unit * 0.8)} h{N(scale)} v{N(-Unit * 0.8)}"
                    )
                ),
                Text(
                    "floor-label",
                    new Spot(scale + (Unit * 0.8), Scene.Surface.Width - low.Y + (Unit * 1.8)),
                    scaleWords,
                    Unit * 1.8,
                    "start"
                )
            )
        );
    }

    /// <summary>A round number of what is counted in, at most a third of the picture: its length in metres, and how it is told.</summary>
    private protected (double Metres, string Words) ScaleBar(double width)
    {
        var one = Measure.LengthOf(Pacing.Unit, Pacing.Stride);
        var count = RoundNumbers.First(number => number * one <= width / 3 || number == 1);
        return (
            count * one,
            count == 1 && Pacing.Unit == LengthUnit.Paces ? "1 pace" : $"{count} {DistanceWords.Sign(Pacing.Unit)}"
        );
    }

    private static readonly int[] RoundNumbers = [100, 50, 20, 10, 5, 2, 1];

    private protected (Spot Low, Spot High) Bounds(IEnumerable<Spot> spots)
    {
        Spot[] all = [new(0, 0), new(Scene.Surface.Length, Scene.Surface.Width), .. spots];
        var edge = Unit * 2.6;
        return (
            new Spot(all.Min(spot => spot.X) - edge, all.Min(spot => spot.Y) - edge),
            new Spot(all.Max(spot => spot.X) + edge, all.Max(spot => spot.Y) + edge)
        );
    }

    private protected IEnumerable<XElement> Floor()
    {
        yield return new XElement(
            "rect",
            new XAttribute("class", Scene.Surface.Markings.Count > 0 ? "floor-ground is-court" : "floor-ground"),
            new XAttribute("x", "0"),
            new XAttribute("y", "0"),
            new XAttribute("width", N(Scene.Surface.Length)),
            new XAttribute("height", N(Scene.Surface.Width)),
            new XAttribute("stroke-width", N(Unit * 0.12))
        );
        yield return new XElement(
            "g",
            new XAttribute("class", "floor-paint"),
            new XAttribute("clip-path", $"url(#floor-{key})"),
            new XAttribute("stroke-width", N(Unit * 0.16)),
            Scene.Surface.Markings.Select(Paint)
        );
    }

    private protected XElement Paint(Marking marking) =>
        marking switch
        {
            Marking.Line line => Straight(line.IsDashed ? "is-dashed" : "is-line", Draw(line.From), Draw(line.To), line.IsDashed),
            Marking.Stands stands => Thick("stands", stands.From, stands.To, 0.4),
            Marking.Point point => new XElement(
                "circle",
                new XAttribute("class", "is-point"),
                new XAttribute("cx", N(Draw(point.At).X)),
                new XAttribute("cy", N(Draw(point.At).Y)),
                new XAttribute("r", N(Unit * 0.25))
            ),
            Marking.Arc { IsWhole: true } circle => new XElement(
                "circle",
                new XAttribute("class", circle.IsDashed ? "is-dashed" : "is-line"),
                new XAttribute("cx", N(Draw(circle.Middle).X)),
                new XAttribute("cy", N(Draw(circle.Middle).Y)),
                new XAttribute("r", N(circle.Radius))
            ),
            Marking.Arc arc => Curve(arc),
            _ => throw new InvalidOperationException("A marking nobody knows."),
        };

    private protected XElement Curve(Marking.Arc arc)
    {
        var (from, to) = (Draw(arc.At(arc.From)), Draw(arc.At(arc.To)));
        var large = arc.To - arc.From > 180 ? 1 : 0;
        return new XElement(
            "path",
            new XAttribute("class", arc.IsDashed ? "is-dashed" : "is-line"),
            arc.IsDashed ? new XAttribute("stroke-dasharray", $"{N(Unit * 0.8)} {N(Unit * 0.6)}") : null,
            new XAttribute("d", $"M{N(from.X)} {N(from.Y)} A{N(arc.Radius)} {N(arc.Radius)} 0 {large} 0 {N(to.X)} {N(to.Y)}")
        );
    }

    private protected XElement Straight(string kind, Spot from, Spot to, bool dashed) =>
        new(
            "line",
            new XAttribute("class", kind),
            dashed ? new XAttribute("stroke-dasharray", $"{N(Unit * 0.8)} {N(Unit * 0.6)}") : null,
            new XAttribute("x1", N(from.X)),
            new XAttribute("y1", N(from.Y)),
            new XAttribute("x2", N(to.X)),
            new XAttribute("y2", N(to.Y))
        );

    /// <summary>The parts that stand still: everything but players and balls, zones lowest.</summary>
    private protected IEnumerable<XElement> Stands() =>
        Scene
            .OnFloor.Where(mark => mark.Kind is not (MarkKind.Player or MarkKind.Coach or MarkKind.Ball))
            .OrderBy(mark => mark.Kind is not MarkKind.Zone)
            .Select(Shape);

    private protected XElement Shape(Placed mark)
    {
        var at = Draw(mark.At);
        return mark.Kind switch
        {
            MarkKind.Zone => new XElement(
                "polygon",
                new XAttribute("class", "floor-zone"),
                new XAttribute("stroke-width", N(Unit * 0.15)),
                Points(mark.Outline.Select(spot => Draw(spot)))
            ),
            MarkKind.Line => Wide("floor-line", mark, 0.3),
            MarkKind.Goal => Wide("floor-goal", mark, 0.6),
            MarkKind.Cone => new XElement(
                "path",
                new XAttribute("class", "floor-cone"),
                new XAttribute("stroke-width", N(Unit * 0.12)),
                new XAttribute("d", $"M{N(at.X)} {N(at.Y - Unit)} l{N(Unit * 0.9)} {N(Unit * 1.6)} h{N(-Unit * 1.8)}z")
            ),
            MarkKind.Disc => new XElement(
                "ellipse",
                new XAttribute("class", "floor-disc"),
                new XAttribute("stroke-width", N(Unit * 0.2)),
                new XAttribute("cx", N(at.X)),
                new XAttribute("cy", N(at.Y)),
                new XAttribute("rx", N(Unit * 0.8)),
                new XAttribute("ry", N(Unit * 0.5))
            ),
            MarkKind.Player or MarkKind.Coach or MarkKind.Ball => throw new InvalidOperationException(
                "A player, a coach and a ball move, and are drawn as pieces."
            ),
        };
    }

    private protected XElement Wide(string kind, Placed mark, double width) => Thick(kind, mark.Outline[0], mark.Outline[1], width);

    /// <summary>A post is no longer than a point; its round end is what is seen of it.</summary>
    private protected XElement Thick(string kind, Spot from, Spot to, double width)
    {
        var line = Straight(kind, Draw(from), Draw(to), false);
        line.Add(new XAttribute("stroke-width", N(Unit * width)), new XAttribute("stroke-linecap", "round"));
        return line;
    }

    private protected IEnumerable<XElement> Ways()
    {
        foreach (var (index, way) in Scene.Ways.Index())
        {
            if (Scene.Find(way.From) is not { } start || Scene.End(way.To) is not { } end)
            {
                continue;
            }

            var from = start.Middle;
            var to = end.ReachedFrom(from);
            var length = from.To(to);
            if (length < 0.01)
            {
                continue;
            }

            // There and back are drawn side by side.
            var twin = Scene.Ways.Any(other => other != way && other.From == way.To && other.To == way.From);
            var side = twin ? Unit * 0.7 : 0;
            var gap = Math.Min(Unit * 1.4, length / 4);
            Spot Side(Spot spot) => Draw(spot.Plus((to.Y - from.Y) / length * side, -(to.X - from.X) / length * side));
            var (a, b) = (Side(from.Toward(to, gap / length)), Side(to.Toward(from, gap / length)));
            var line = Straight($"way way-{LayoutChoices.WordOf(way.As)}", a, b, false);
            line.Add(new XAttribute("stroke-width", N(Unit * 0.26)), new XAttribute("marker-end", $"url(#arrow-{key})"));
            if (Dashes(way.As) is { } dashes)
            {
                line.Add(new XAttribute("stroke-dasharray", dashes));
            }

            line.Add(new XAttribute("data-step", way.Step));
            yield return line;
            // Ways that share a middle keep their numbers apart.
            var crowd = Scene
                .Ways.Take(index)
                .Count(other =>
                    Scene.Find(other.From)?.Middle.Toward(Scene.End(other.To)?.Middle ?? to, 0.5).To(from.Toward(to, 0.5)) < Unit
                );
            var number = a.Toward(b, 0.5 + (crowd % 2 == 0 ? 0.14 : -0.14) * (crowd == 0 ? 0 : 1));
            yield return Badge(number, way.Step.ToString(CultureInfo.InvariantCulture), "way-step", way.Step);
        }
    }

    private protected XElement Badge(Spot at, string number, string kind, int? step = null) =>
        new(
            "g",
            new XAttribute("class", kind),
            step is { } of ? new XAttribute("data-step", of) : null,
            new XElement(
                "circle",
                new XAttribute("cx", N(at.X)),
                new XAttribute("cy", N(at.Y)),
                new XAttribute("r", N(Unit * 0.85)),
                new XAttribute("stroke-width", N(Unit * 0.12))
            ),
            Text("", new Spot(at.X, at.Y + (Unit * 0.45)), number, Unit * 1.3, "middle")
        );

    private protected string? Dashes(Travel travel) =>
        travel switch
        {
            Travel.Run => $"{N(Unit * 0.25)} {N(Unit * 0.45)}",
            Travel.Carry => $"{N(Unit * 0.9)} {N(Unit * 0.4)}",
            Travel.Rotate => $"{N(Unit * 1.8)} {N(Unit * 0.7)}",
            Travel.Pass or Travel.Shot => null,
            _ => throw new InvalidOperationException("A way nobody knows."),
        };

    private protected XElement Label(double x, double y, string text, string anchor) =>
        Text("floor-label", new Spot(x, y), text, Unit * 1.7, anchor);

    private protected string Short(double metres)
    {
        var (unit, stride) = (Pacing.Unit, Pacing.Stride);
        var count = Measure.From(metres, unit, stride).Rounded(Measure.StepOf(unit)).Figure;
        return unit == LengthUnit.Paces ? $"{count} p" : $"{count} {DistanceWords.Sign(unit)}";
    }

    private protected Spot Draw(Spot at) => new(at.X, Scene.Surface.Width - at.Y);

    private protected Spot Draw(Spot at, (double X, double Y) aside) => Draw(at).Plus(aside.X, aside.Y);

    internal static XAttribute Points(IEnumerable<Spot> spots) =>
        new("points", string.Join(' ', spots.Select(spot => $"{N(spot.X)},{N(spot.Y)}")));

    internal static XElement Text(string kind, Spot at, string text, double size, string anchor) =>
        new(
            "text",
            kind.Length > 0 ? new XAttribute("class", kind) : null,
            new XAttribute("x", N(at.X)),
            new XAttribute("y", N(at.Y)),
            new XAttribute("font-size", N(size)),
            new XAttribute("text-anchor", anchor),
            text
        );

    internal static string N(double number) => number.ToString("0.###", CultureInfo.InvariantCulture);
}
