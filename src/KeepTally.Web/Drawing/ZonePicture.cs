using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Web.Drawing;

/// <summary>
/// The zones a drill asks for as buttons that lie as they do on its layout, to scale, for a thumb on a phone. Places and sizes
/// are classes of the stylesheet, in half percents of the picture.
/// </summary>
public sealed class ZonePicture
{
    /// <summary>What of a phone's screen the picture may take, in pixels of the page.</summary>
    private const double Wide = 340;
    private const double High = 230;

    /// <summary>No target is smaller on the run screen.</summary>
    private const double Thumb = 56;

    private readonly Dictionary<string, (double X, double Y, double Length, double Width)> _shares;

    private ZonePicture(bool isMouth, double ratio, Dictionary<string, (double, double, double, double)> shares) =>
        (IsMouth, Ratio, _shares) = (isMouth, ratio, shares);

    /// <summary>The zones hang in a goal, whose frame is drawn round them.</summary>
    public bool IsMouth { get; }

    /// <summary>How much wider than high it is.</summary>
    public double Ratio { get; }

    /// <summary>The classes of the picture.</summary>
    public string Classes => $"zone-picture ratio-{Math.Clamp((int)Math.Round(Ratio * 20), 4, 120)}{(IsMouth ? " is-mouth" : "")}";

    /// <summary>The classes of one zone.</summary>
    public string Of(string zone)
    {
        var (x, y, length, width) = _shares[zone];
        return $"at-{Half(x)} down-{Half(y)} wide-{Half(x + length) - Half(x)} tall-{Half(y + width) - Half(y)}";
    }

    /// <summary>The picture of the zones, or null where they are not drawn, overlap, or would be too small for a thumb.</summary>
    public static ZonePicture? Of(Diagram? layout, Targets targets)
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
        var scale = Math.Min(Wide / length, High / width);
        var boxes = zones.ToDictionary(zone => zone.Id, zone => (Low: Foot([zone]), High: Top([zone])));
        var fits = boxes.Values.All(box => (box.High.X - box.Low.X) * scale >= Thumb && (box.High.Y - box.Low.Y) * scale >= Thumb);
        var apart = boxes.All(one => boxes.All(other => one.Key == other.Key || Apart(one.Value, other.Value)));
        return fits && apart
            ? new ZonePicture(
                goal is not null,
                length / width,
                boxes.ToDictionary(
                    box => box.Key,
                    box =>
                        (
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

    private static Spot Foot(Placed[] zones) =>
        new(zones.Min(zone => zone.Outline.Min(spot => spot.X)), zones.Min(zone => zone.Outline.Min(spot => spot.Y)));

    private static Spot Top(Placed[] zones) =>
        new(zones.Max(zone => zone.Outline.Max(spot => spot.X)), zones.Max(zone => zone.Outline.Max(spot => spot.Y)));

    private static int Half(double share) => (int)Math.Round(share * 200);
}
