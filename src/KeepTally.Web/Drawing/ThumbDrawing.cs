using System.Globalization;
using System.Text;
using System.Xml.Linq;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Web.Drawing;

/// <summary>
/// The set-up of a drill as small as a thumb: where things stand and who goes where, without words, legible at 96 pixels. Marks are
/// not to scale; the floor is.
/// </summary>
public sealed class ThumbDrawing
{
    /// <summary>The longer side holds so many marks side by side.</summary>
    private const double MarksAcross = 14;

    /// <summary>A set-up smaller than this is not drawn larger.</summary>
    private const double LeastMetres = 3;

    private const string Ink = "#22272e";
    private const string Paper = "#fffdf6";

    private static readonly XNamespace _svg = "http://www.w3.org/2000/svg";

    private readonly Scene _scene;
    private readonly (double Left, double Right, double Low, double High) _edges;

    /// <summary>The size of a mark, in metres of the floor.</summary>
    private readonly double _unit;

    private ThumbDrawing(Scene scene)
    {
        _scene = scene;
        // What stands and moves fills the picture; of the floor as much is seen as lies around it.
        Spot[] corners = [.. scene.OnFloor.SelectMany(mark => mark.Outline).DefaultIfEmpty(new Spot(0, 0))];
        var (left, right) = (corners.Min(each => each.X), corners.Max(each => each.X));
        var (low, high) = (corners.Min(each => each.Y), corners.Max(each => each.Y));
        _unit = Math.Max(Math.Max(right - left, high - low), LeastMetres) / MarksAcross;
        var margin = 2 * _unit;
        _edges = (left - margin, right + margin, low - margin, high + margin);
    }

    /// <summary>Returns the drawing as the bytes of an SVG file.</summary>
    public static byte[] Of(Scene scene) =>
        Encoding.UTF8.GetBytes(new ThumbDrawing(scene).Whole().ToString(SaveOptions.DisableFormatting));

    private XElement Whole()
    {
        var (left, right, low, high) = _edges;
        return Shape(
            "svg",
            new XAttribute("viewBox", $"{N(left)} {N(-high)} {N(right - left)} {N(high - low)}"),
            Box(new Spot(0, _scene.Surface.Width), _scene.Surface.Length, _scene.Surface.Width, Look(Paper, "#a39b86", 0.12)),
            _scene.OnFloor.Where(mark => !mark.IsStoodAt).Select(Flat),
            Ways(),
            _scene.OnFloor.Where(mark => mark.IsStoodAt).Select(Standing)
        );
    }

    private IEnumerable<XElement> Ways() =>
        from way in _scene.Ways
        let ends = (From: _scene.End(way.From), To: _scene.End(way.To))
        where ends is { From: not null, To: not null }
        select Shape(
            "polyline",
            Points(ends.From.Middle, ends.To.ReachedFrom(ends.From.Middle)),
            way.As is Travel.Pass or Travel.Shot
                ? new XAttribute("stroke-dasharray", $"{N(_unit * 0.5)} {N(_unit * 0.35)}")
                : null!,
            Look("none", way.As == Travel.Rotate ? "#8f8877" : Ink, 0.22)
        );

    private XElement Flat(Placed mark) =>
        mark.Kind switch
        {
            MarkKind.Zone => Shape("polygon", Points([.. mark.Outline]), Look("#dfe8e2", "#2d5a4a", 0.15)),
            MarkKind.Goal => Shape("polyline", Points([.. mark.Outline]), Look("none", Ink, 0.5)),
            _ => Shape("polyline", Points([.. mark.Outline]), Look("none", "#6b6555", 0.2)),
        };

    private XElement Standing(Placed mark)
    {
        var (x, y) = (mark.Middle.X, mark.Middle.Y);
        return mark.Kind switch
        {
            MarkKind.Player or MarkKind.Coach => Box(
                new Spot(x - (_unit * 0.6), y + (_unit * 0.6)),
                _unit * 1.2,
                _unit * 1.2,
                Look(mark.Kind == MarkKind.Coach ? Ink : "#2c4257", Paper, 0.12)
            ),
            MarkKind.Cone => Shape(
                "polygon",
                Points(
                    new(x - (_unit * 0.5), y - (_unit * 0.4)),
                    new(x + (_unit * 0.5), y - (_unit * 0.4)),
                    new(x, y + (_unit * 0.55))
                ),
                Look("#d9702b", Ink, 0.08)
            ),
            _ => Shape(
                "circle",
                new XAttribute("cx", N(x)),
                new XAttribute("cy", N(-y)),
                new XAttribute("r", N(_unit * (mark.Kind == MarkKind.Ball ? 0.35 : 0.5))),
                Look(Paper, Ink, 0.15)
            ),
        };
    }

    private static XElement Shape(string name, params object[] parts) => new(_svg + name, parts);

    /// <summary>A rectangle by its upper left corner.</summary>
    private static XElement Box(Spot corner, double length, double width, XAttribute[] look) =>
        Shape(
            "rect",
            new XAttribute("x", N(corner.X)),
            new XAttribute("y", N(-corner.Y)),
            new XAttribute("width", N(length)),
            new XAttribute("height", N(width)),
            look
        );

    /// <summary>The floor's y runs up, the drawing's down.</summary>
    private static XAttribute Points(params Spot[] spots) =>
        new("points", string.Join(' ', spots.Select(spot => $"{N(spot.X)},{N(-spot.Y)}")));

    private XAttribute[] Look(string fill, string stroke, double width) =>
        [new("fill", fill), new("stroke", stroke), new("stroke-width", N(width * _unit))];

    private static string N(double number) => number.ToString("0.###", CultureInfo.InvariantCulture);
}
