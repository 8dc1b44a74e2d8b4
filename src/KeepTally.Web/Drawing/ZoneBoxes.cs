using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Web.Drawing;

/// <summary>The zones a drill asks for as they lie on its layout, to scale: each as shares of the whole, y down.</summary>
/// <param name="IsMouth">They hang in a goal, whose frame is drawn round them.</param>
/// <param name="Length">How wide all of it is, in metres.</param>
/// <param name="Width">How high or deep.</param>
/// <param name="Boxes">The box of each zone, by its id.</param>
public sealed record ZoneBoxes(bool IsMouth, double Length, double Width, IReadOnlyDictionary<string, ZoneBox> Boxes)
{
    /// <summary>The zones of a stage; null where they are not all drawn, lie in several frames, or overlap.</summary>
    public static ZoneBoxes? Of(Diagram? layout, Targets targets)
    {
        if (layout is null)
        {
            return null;
        }

        var scene = layout.By(Stride.Usual);
        Placed[] zones = [.. targets.Names.Select(scene.Find).OfType<Placed>().Where(mark => mark.Kind == MarkKind.Zone)];
        if (zones.Length < targets.Names.Count || zones.Select(zone => zone.In).Distinct().Count() > 1)
        {
            return null;
        }

        var goal = zones[0].In.Length > 0 ? scene.Find(zones[0].In) : null;
        var (low, high) = goal is null
            ? (Foot(zones), Top(zones))
            : (new Spot(0, 0), new Spot(goal.Outline[0].To(goal.Outline[1]), goal.Height));
        var (length, width) = (high.X - low.X, high.Y - low.Y);
        var boxes = zones.ToDictionary(zone => zone.Id, zone => (Low: Foot([zone]), High: Top([zone])));
        var apart = boxes.All(one => boxes.All(other => one.Key == other.Key || Apart(one.Value, other.Value)));
        return apart
            ? new ZoneBoxes(
                goal is not null,
                length,
                width,
                boxes.ToDictionary(
                    box => box.Key,
                    box => new ZoneBox(
                        (box.Value.Low.X - low.X) / length,
                        (high.Y - box.Value.High.Y) / width,
                        (box.Value.High.X - box.Value.Low.X) / length,
                        (box.Value.High.Y - box.Value.Low.Y) / width
                    )
                )
            )
            : null;
    }

    private static bool Apart((Spot Low, Spot High) one, (Spot Low, Spot High) other) =>
        one.High.X <= other.Low.X + 0.01
        || other.High.X <= one.Low.X + 0.01
        || one.High.Y <= other.Low.Y + 0.01
        || other.High.Y <= one.Low.Y + 0.01;

    // One level of lambdas: nested ones among the overloads of Min and Max cost the compiler seconds.
    private static IEnumerable<Spot> Outlines(Placed[] zones) => zones.SelectMany(zone => zone.Outline);

    private static Spot Foot(Placed[] zones) => new(Outlines(zones).Min(spot => spot.X), Outlines(zones).Min(spot => spot.Y));

    private static Spot Top(Placed[] zones) => new(Outlines(zones).Max(spot => spot.X), Outlines(zones).Max(spot => spot.Y));
}

/// <summary>Where a zone is, in shares of the whole picture: its upper left corner and its size.</summary>
public readonly record struct ZoneBox(double X, double Y, double Length, double Width);
