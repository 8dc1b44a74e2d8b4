using KeepTally.Core.Layout;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Web.Drawing;

/// <summary>
/// The zones a drill asks for as buttons that lie as they do on its layout, to scale, for a thumb on a phone. Places and sizes
/// are classes of the stylesheet, in half percents of the picture.
/// </summary>
public sealed class ZonePicture
{
    /// <summary>The part of a phone's screen that the picture may take, in pixels of the page.</summary>
    private const double Wide = 340;
    private const double High = 230;

    /// <summary>No target is smaller on the run screen.</summary>
    private const double Thumb = 56;

    private readonly ZoneBoxes _zones;

    private ZonePicture(ZoneBoxes zones) => _zones = zones;

    /// <summary>The zones hang in a goal, whose frame is drawn round them.</summary>
    public bool IsMouth => _zones.IsMouth;

    /// <summary>How much wider than high it is.</summary>
    public double Ratio => _zones.Length / _zones.Width;

    /// <summary>The classes of the picture.</summary>
    public string Classes => $"zone-picture ratio-{Math.Clamp((int)Math.Round(Ratio * 20), 4, 120)}{(IsMouth ? " is-mouth" : "")}";

    /// <summary>The classes of one zone.</summary>
    public string Of(string zone)
    {
        var (x, y, length, width) = _zones.Boxes[zone];
        return $"at-{Half(x)} down-{Half(y)} wide-{Half(x + length) - Half(x)} tall-{Half(y + width) - Half(y)}";
    }

    /// <summary>The picture of the zones, or null where they are not drawn, overlap, or would be too small for a thumb.</summary>
    public static ZonePicture? Of(Diagram? layout, Targets targets)
    {
        if (ZoneBoxes.Of(layout, targets) is not { } zones)
        {
            return null;
        }

        var scale = Math.Min(Wide / zones.Length, High / zones.Width);
        return zones.Boxes.Values.All(box => box.Length * zones.Length * scale >= Thumb && box.Width * zones.Width * scale >= Thumb)
            ? new ZonePicture(zones)
            : null;
    }

    private static int Half(double share) => (int)Math.Round(share * 200);
}
