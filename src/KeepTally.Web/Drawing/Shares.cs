using System.Globalization;

namespace KeepTally.Web.Drawing;

/// <summary>
/// A share of a whole as a class of the stylesheet, to half a percent: the policy of the pages lets no style stand in the markup.
/// </summary>
public static class Shares
{
    private const int Halves = 200;

    /// <summary>A part of a row that fills its share of it.</summary>
    public static string Grow(double share) => Class("grow", share);

    /// <summary>Something so wide.</summary>
    public static string Wide(double share) => Class("wide", share);

    /// <summary>Something that stands so far from the left.</summary>
    public static string At(double share) => Class("at", share);

    private static string Class(string name, double share) =>
        string.Create(CultureInfo.InvariantCulture, $"{name}-{(int)Math.Round(Math.Clamp(share, 0, 1) * Halves)}");
}
