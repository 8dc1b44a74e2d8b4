using System.Globalization;
using System.Xml.Linq;
using KeepTally.Core.Judgement;
using KeepTally.Core.Layout;
using KeepTally.Core.Reports;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Text;

namespace KeepTally.Web.Drawing;

/// <summary>
/// Where it was asked and where it went, on the zones as they lie on the layout: the more of those asked came, the fuller the zone.
/// The table beside it says the same.
/// </summary>
public static class LandedDrawing
{
    /// <summary>How the picture is read, as sentences below it.</summary>
    public const string Key =
        "Each zone: how many of the tries asked for it landed there; fuller is more. Astray: landed there, but asked for another zone.";

    private const double Wide = 200;
    private const double Edge = 4;

    /// <summary>The picture of a drill that was run; null where the zones are not drawn or none was asked.</summary>
    public static string? Of(DrillResult drill)
    {
        var landed = drill
            .Rows.SelectMany(row => row.Report.Zones)
            .SelectMany(row => row.Value, (row, to) => (Asked: row.Key, To: to.Key, to.Value))
            .ToLookup(each => each.Asked);
        return drill.Stage.Targets is not { } targets || landed.Count == 0
            ? null
            : Of(
                drill.Card.Layout,
                targets,
                [
                    .. targets.Names.Select(zone =>
                    {
                        var hit = landed[zone].Where(each => each.To == zone).Sum(each => each.Value);
                        var astray = landed.Where(each => each.Key != zone).SelectMany(each => each).Where(each => each.To == zone);
                        return (zone, new Share(hit, landed[zone].Sum(each => each.Value)), astray.Sum(each => each.Value));
                    }),
                ]
            );
    }

    /// <summary>The picture; null where the zones are not drawn.</summary>
    /// <param name="layout">The layout of the card.</param>
    /// <param name="targets">The zones of the stage.</param>
    /// <param name="told">Each zone: how often it was hit of how often it was asked, and how often it was hit when another was.</param>
    public static string? Of(Diagram? layout, Targets targets, IReadOnlyList<(string Zone, Share Hit, int Astray)> told)
    {
        if (ZoneBoxes.Of(layout, targets) is not { } zones)
        {
            return null;
        }

        var scale = Wide / zones.Length;
        var high = zones.Width * scale;
        return new XElement(
            "svg",
            new XAttribute("viewBox", $"{N(-Edge)} {N(-Edge)} {N(Wide + (2 * Edge))} {N(high + (2 * Edge))}"),
            new XAttribute("class", $"landed{(zones.IsMouth ? " is-mouth" : "")}"),
            new XAttribute("role", "img"),
            new XAttribute(
                "aria-label",
                string.Join(
                    "; ",
                    told.Select(each =>
                        $"{Phrase.Words(each.Zone)}: {each.Hit.Made} of {each.Hit.Of} asked landed there, {each.Astray} astray"
                    )
                )
            ),
            new XElement(
                "rect",
                new XAttribute("class", "landed-frame"),
                new XAttribute("width", N(Wide)),
                new XAttribute("height", N(high))
            ),
            told.Select(each => Zone(zones.Boxes[each.Zone], each, high))
        ).ToString(SaveOptions.DisableFormatting);
    }

    private static XElement Zone(ZoneBox box, (string Zone, Share Hit, int Astray) told, double high)
    {
        var (x, y, width, height) = (box.X * Wide, box.Y * high, box.Length * Wide, box.Width * high);
        var size = Math.Min(height * 0.34, width * 0.24);
        var share = told.Hit.Of == 0 ? 0 : told.Hit.Value;
        return new XElement(
            "g",
            new XElement(
                "rect",
                new XAttribute("class", "landed-share"),
                new XAttribute("x", N(x)),
                new XAttribute("y", N(y + (height * (1 - share)))),
                new XAttribute("width", N(width)),
                new XAttribute("height", N(height * share))
            ),
            new XElement(
                "rect",
                new XAttribute("class", "landed-zone"),
                new XAttribute("x", N(x)),
                new XAttribute("y", N(y)),
                new XAttribute("width", N(width)),
                new XAttribute("height", N(height))
            ),
            Words(
                x + (width / 2),
                y + (height / 2) + (size * 0.3),
                size,
                told.Hit.Of == 0 ? "–" : $"{told.Hit.Made}/{told.Hit.Of}"
            ),
            told.Astray > 0 ? Words(x + (width / 2), y + (height / 2) + (size * 1.15), size * 0.55, $"+{told.Astray} astray") : null
        );
    }

    private static XElement Words(double x, double y, double size, string words) =>
        new(
            "text",
            new XAttribute("x", N(x)),
            new XAttribute("y", N(y)),
            new XAttribute("font-size", N(size)),
            new XAttribute("text-anchor", "middle"),
            words
        );

    private static string N(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);
}
