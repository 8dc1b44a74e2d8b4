using System.Xml.Linq;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Web.Drawing;

/// <summary>A layout that is being changed.</summary>
public sealed class PlanDrawing(Scene scene, string key, Pacing pacing) : SceneDrawing(scene, key, pacing)
{
    /// <summary>The layout to be changed: every mark is one that can be taken, and how far the one in hand is from the edges is told.</summary>
    public XElement Plan(int selected)
    {
        var frame = Frame(
            "scene-plan",
            "The layout; every mark on it can be moved.",
            [
                .. Floor(),
                // Ways lie over zones, so that their ends are seen, and under what is small.
                .. Handles(selected, zones: true),
                .. Ways(),
                .. Handles(selected, zones: false),
                .. selected >= 0 && Scene.Marks[selected].In.Length == 0 ? Edges(Scene.Marks[selected]) : [],
            ],
            Bounds(Scene.OnFloor.SelectMany(mark => mark.Outline))
        );
        // What holds things to press is no picture.
        frame.SetAttributeValue("role", "group");
        return frame;
    }

    private IEnumerable<XElement> Handles(int selected, bool zones) =>
        Scene
            .Marks.Index()
            .Where(each => each.Item.In.Length == 0 && (each.Item.Kind == MarkKind.Zone) == zones)
            .Select(each => Handle(each.Index, each.Item, each.Index == selected));

    private XElement Handle(int index, Placed mark, bool inHand)
    {
        var middle = Draw(mark.Middle);
        return new XElement(
            "g",
            new XAttribute("class", inHand ? "handle is-in-hand" : "handle"),
            inHand ? new XAttribute("id", "in-hand") : null,
            new XAttribute("data-mark", index),
            new XAttribute("data-x", N(mark.At.X)),
            new XAttribute("data-y", N(mark.At.Y)),
            new XAttribute("tabindex", "0"),
            new XAttribute("role", "button"),
            new XAttribute("aria-pressed", inHand ? "true" : "false"),
            new XAttribute(
                "aria-label",
                $"{LayoutChoices.WordOf(mark.Kind)} {mark.Name}, {Short(mark.At.X)} along, {Short(mark.At.Y)} across"
            ),
            mark.Kind == MarkKind.Zone
                ? null
                : new XElement(
                    "circle",
                    new XAttribute("class", "handle-reach"),
                    new XAttribute("cx", N(middle.X)),
                    new XAttribute("cy", N(middle.Y)),
                    new XAttribute("r", N(Unit * 2)),
                    new XAttribute("stroke-width", N(Unit * 0.2))
                ),
            Still(mark),
            mark.Label.Length > 0
                ? Label(middle.X, middle.Y + (Unit * (mark.Kind == MarkKind.Zone ? 0.6 : 2.7)), mark.Label, "middle")
                : null
        );
    }

    /// <summary>A mark as it stands, players and balls too.</summary>
    private XElement Still(Placed mark)
    {
        var at = Draw(mark.Middle);
        return mark.Kind switch
        {
            MarkKind.Ball => new XElement(
                "g",
                new XAttribute("class", "piece-ball"),
                new XElement(
                    "circle",
                    new XAttribute("cx", N(at.X)),
                    new XAttribute("cy", N(at.Y)),
                    new XAttribute("r", N(Unit * 0.6)),
                    new XAttribute("stroke-width", N(Unit * 0.22))
                )
            ),
            MarkKind.Player or MarkKind.Coach => new XElement(
                "g",
                new XAttribute("class", mark.Kind == MarkKind.Coach ? "piece-coach" : "piece-player"),
                new XElement(
                    "rect",
                    new XAttribute("x", N(at.X - (Unit * 0.85))),
                    new XAttribute("y", N(at.Y - (Unit * 0.85))),
                    new XAttribute("width", N(Unit * 1.7)),
                    new XAttribute("height", N(Unit * 1.7)),
                    new XAttribute("rx", N(Unit * (mark.Kind == MarkKind.Coach ? 0 : 0.55)))
                )
            ),
            _ => Shape(mark),
        };
    }

    /// <summary>How far a mark is from the left end and from the near side.</summary>
    private IEnumerable<XElement> Edges(Placed mark)
    {
        foreach (var (from, length) in new[] { (new Spot(0, mark.At.Y), mark.At.X), (new Spot(mark.At.X, 0), mark.At.Y) })
        {
            if (Math.Abs(length) < 0.05)
            {
                continue;
            }

            var line = Straight("edge-line", Draw(from), Draw(mark.At), false);
            line.Add(
                new XAttribute("stroke-width", N(Unit * 0.2)),
                new XAttribute("stroke-dasharray", $"{N(Unit * 0.3)} {N(Unit * 0.4)}")
            );
            yield return line;
            var middle = Draw(from.Toward(mark.At, 0.5));
            yield return Text("floor-label edge-length", middle.Plus(0, -Unit * 0.5), Short(length), Unit * 1.8, "middle");
        }
    }
}
