using System.Xml.Linq;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using static KeepTally.Web.Drawing.SceneDrawing;

namespace KeepTally.Web.Drawing;

/// <summary>The mouth of a goal, with what hangs in it.</summary>
public static class MouthDrawing
{
    /// <summary>The mouth of a goal with its zones, as a shooter sees it.</summary>
    public static XElement Mouth(Placed goal, IReadOnlyList<Placed> zones)
    {
        var (width, height) = (goal.Outline[0].To(goal.Outline[1]), goal.Height);
        return new XElement(
            "svg",
            new XAttribute("viewBox", $"{N(-0.3)} {N(-0.3)} {N(width + 0.6)} {N(height + 0.4)}"),
            new XAttribute("class", "scene scene-mouth"),
            new XAttribute("role", "img"),
            new XAttribute(
                "aria-label",
                $"The {goal.Name} as the shooter sees it, {N(width)} by {N(height)} metres: {string.Join(", ", zones.Select(zone => zone.Name))}"
            ),
            zones.Select(zone => new XElement(
                "polygon",
                new XAttribute("class", "floor-zone"),
                Points(zone.Outline.Select(spot => new Spot(spot.X, height - spot.Y)))
            )),
            zones.Select(zone =>
                Text("floor-label", new Spot(zone.Middle.X, height - zone.Middle.Y + 0.07), zone.Name, 0.2, "middle")
            ),
            new XElement(
                "path",
                new XAttribute("class", "floor-frame"),
                new XAttribute("d", $"M0 {N(height)} V0 H{N(width)} V{N(height)}")
            )
        );
    }
}
