using System.Globalization;
using System.Net;
using System.Text;
using KeepTally.Core.Planning;

namespace KeepTally.Screen.Charts;

/// <summary>
/// Effort and busy over the strip of a timing sheet: effort filled from below, busy as a line. It has no text and stretches to the
/// width of the strip, so that each drill stands over its own band.
/// </summary>
public static class StripLines
{
    private const double Width = 1000;
    private const double Height = 40;
    private const double Edge = 2;

    /// <param name="course">How hard and how busy the practice is.</param>
    /// <param name="whole">The seconds that the strip is wide.</param>
    public static string Of(PlanCourse course, double whole)
    {
        var svg = new StringBuilder();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"""<svg class="strip-lines" viewBox="0 0 {Width} {Height}" preserveAspectRatio="none" role="img" aria-label="{WebUtility.HtmlEncode($"Effort and busy over the practice. {course.Told}".TrimEnd())}">"""
        );
        double X(double seconds) => Width * seconds / whole;
        static double Y(double share) => Height - Edge - ((Height - (2 * Edge)) * share);
        foreach (var span in course.Spans)
        {
            var (from, to) = (X(span.From), X(span.To));
            if (span.Effort is { } effort)
            {
                var top = Y((double)effort / Balance.MostEffort);
                svg.Append(
                    CultureInfo.InvariantCulture,
                    $"""<path class="strip-effort" d="M{from:0.#} {Height} V{top:0.#} H{to:0.#} V{Height}"/>"""
                );
            }

            if (span.Busy is { } busy)
            {
                svg.Append(CultureInfo.InvariantCulture, $"""<path class="strip-busy" d="M{from:0.#} {Y(busy):0.#} H{to:0.#}"/>""");
            }
        }

        return svg.Append("</svg>").ToString();
    }
}
