using System.Globalization;
using System.Xml.Linq;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Web.Drawing;

/// <summary>
/// The set-up of a drill as small as a thumb: where things stand and who goes where, without words, legible at 96 pixels. Marks are
/// not to scale; the floor is.
/// </summary>
public static class ThumbDrawing
{
    /// <summary>The longer side holds so many marks side by side.</summary>
    private const double MarksAcross = 14;

    /// <summary>A set-up smaller than this is not drawn larger.</summary>
    private const double LeastMetres = 3;

    /// <summary>Returns the drawing as the bytes of an SVG file.</summary>
    public static byte[] Of(Scene scene)
    {
        // What stands and moves fills the picture; of the floor as much is seen as lies around it.
        Spot[] corners = [.. scene.OnFloor.SelectMany(mark => mark.Outline).DefaultIfEmpty(new Spot(0, 0))];
        var (left, right) = (corners.Min(each => each.X), corners.Max(each => each.X));
        var (low, high) = (corners.Min(each => each.Y), corners.Max(each => each.Y));
        var unit = Math.Max(Math.Max(right - left, high - low), LeastMetres) / MarksAcross;
        (left, right, low, high) = (left - (2 * unit), right + (2 * unit), low - (2 * unit), high + (2 * unit));
        XNamespace svg = "http://www.w3.org/2000/svg";
        XElement Shape(string name, params object[] parts) => new(svg + name, parts);
        // The floor's y runs up, the drawing's down.
        string Points(IEnumerable<Spot> spots) => string.Join(' ', spots.Select(spot => $"{N(spot.X)},{N(-spot.Y)}"));
        XAttribute[] Look(string fill, string stroke, double width) =>
            [new("fill", fill), new("stroke", stroke), new("stroke-width", N(width * unit))];

        var ground = Shape(
            "rect",
            new XAttribute("x", N(0)),
            new XAttribute("y", N(-scene.Surface.Width)),
            new XAttribute("width", N(scene.Surface.Length)),
            new XAttribute("height", N(scene.Surface.Width)),
            Look("#fffdf6", "#a39b86", 0.12)
        );
        var ways = scene
            .Ways.Select(way => (way.As, From: scene.End(way.From), To: scene.End(way.To)))
            .Where(way => way is { From: not null, To: not null })
            .Select(way =>
                Shape(
                    "polyline",
                    new XAttribute("points", Points([way.From!.Middle, way.To!.ReachedFrom(way.From.Middle)])),
                    way.As is Travel.Pass or Travel.Shot
                        ? new XAttribute("stroke-dasharray", $"{N(unit * 0.5)} {N(unit * 0.35)}")
                        : null!,
                    Look("none", way.As == Travel.Rotate ? "#8f8877" : "#22272e", 0.22)
                )
            );
        return System.Text.Encoding.UTF8.GetBytes(
            Shape(
                    "svg",
                    new XAttribute("viewBox", $"{N(left)} {N(-high)} {N(right - left)} {N(high - low)}"),
                    ground,
                    scene.OnFloor.Where(mark => !mark.IsStoodAt).Select(Flat),
                    ways,
                    scene.OnFloor.Where(mark => mark.IsStoodAt).Select(Standing)
                )
                .ToString(SaveOptions.DisableFormatting)
        );

        XElement Flat(Placed mark) =>
            mark.Kind switch
            {
                MarkKind.Zone => Shape("polygon", new XAttribute("points", Points(mark.Outline)), Look("#dfe8e2", "#2d5a4a", 0.15)),
                MarkKind.Goal => Shape("polyline", new XAttribute("points", Points(mark.Outline)), Look("none", "#22272e", 0.5)),
                _ => Shape("polyline", new XAttribute("points", Points(mark.Outline)), Look("none", "#6b6555", 0.2)),
            };

        XElement Standing(Placed mark) =>
            mark.Kind switch
            {
                MarkKind.Player or MarkKind.Coach => Shape(
                    "rect",
                    new XAttribute("x", N(mark.Middle.X - (unit * 0.6))),
                    new XAttribute("y", N(-mark.Middle.Y - (unit * 0.6))),
                    new XAttribute("width", N(unit * 1.2)),
                    new XAttribute("height", N(unit * 1.2)),
                    Look(mark.Kind == MarkKind.Coach ? "#22272e" : "#2c4257", "#fffdf6", 0.12)
                ),
                MarkKind.Cone => Shape(
                    "polygon",
                    new XAttribute(
                        "points",
                        Points([
                            new(mark.Middle.X - (unit * 0.5), mark.Middle.Y - (unit * 0.4)),
                            new(mark.Middle.X + (unit * 0.5), mark.Middle.Y - (unit * 0.4)),
                            new(mark.Middle.X, mark.Middle.Y + (unit * 0.55)),
                        ])
                    ),
                    Look("#d9702b", "#22272e", 0.08)
                ),
                _ => Shape(
                    "circle",
                    new XAttribute("cx", N(mark.Middle.X)),
                    new XAttribute("cy", N(-mark.Middle.Y)),
                    new XAttribute("r", N(unit * (mark.Kind == MarkKind.Ball ? 0.35 : 0.5))),
                    Look("#fffdf6", "#22272e", 0.15)
                ),
            };
    }

    private static string N(double number) => number.ToString("0.###", CultureInfo.InvariantCulture);
}
