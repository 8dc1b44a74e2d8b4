using System.Globalization;
using System.Net;
using System.Text;

namespace KeepTally.Screen.Charts;

/// <summary>
/// What every chart is drawn on: an SVG with a text for who cannot see it. Lengths are units of the picture; it is shown at
/// their size on a phone and larger elsewhere, so that <see cref="TextSize"/> is never under 12 pixels. Colours are the stylesheet's.
/// </summary>
internal sealed class ChartCanvas
{
    /// <summary>How wide every chart is drawn.</summary>
    internal const double Width = 340;

    /// <summary>The size of axis text.</summary>
    internal const double TextSize = 14;

    private readonly StringBuilder _svg = new();

    /// <param name="kind">The class of the chart.</param>
    /// <param name="height">How high it is drawn.</param>
    /// <param name="label">What it shows, in a sentence.</param>
    internal ChartCanvas(string kind, double height, string label) =>
        Add(
            $"""<svg class="chart {kind}" viewBox="0 0 {Width} {height}" role="img" aria-label="{WebUtility.HtmlEncode(label)}" font-size="{TextSize}">"""
        );

    internal void Line(string kind, double x1, double y1, double x2, double y2) =>
        Add($"""<line class="{kind}" x1="{x1:0.##}" y1="{y1:0.##}" x2="{x2:0.##}" y2="{y2:0.##}"/>""");

    internal void Box(string kind, double x, double y, double width, double height) =>
        Add($"""<rect class="{kind}" x="{x:0.##}" y="{y:0.##}" width="{width:0.##}" height="{height:0.##}"/>""");

    internal void Dot(string kind, double x, double y, double radius) =>
        Add($"""<circle class="{kind}" cx="{x:0.##}" cy="{y:0.##}" r="{radius:0.##}"/>""");

    /// <summary>A line through points, straight from each to the next.</summary>
    internal void Path(string kind, IEnumerable<(double X, double Y)> points, bool isClosed = false)
    {
        var d = string.Join(
            " L",
            points.Select(point => string.Create(CultureInfo.InvariantCulture, $"{point.X:0.##} {point.Y:0.##}"))
        );
        Add($"""<path class="{kind}" d="M{d}{(isClosed ? "Z" : "")}"/>""");
    }

    /// <param name="kind">The class, besides that of every text.</param>
    /// <param name="x">Where it begins, ends or has its middle.</param>
    /// <param name="y">The line it stands on.</param>
    /// <param name="text">The words.</param>
    /// <param name="anchor">"start", "middle" or "end".</param>
    internal void Text(string kind, double x, double y, string text, string anchor = "start") =>
        Add($"""<text class="{kind}" x="{x:0.##}" y="{y:0.##}" text-anchor="{anchor}">{WebUtility.HtmlEncode(text)}</text>""");

    /// <summary>The whole SVG.</summary>
    internal string Close() => _svg.Append("</svg>").ToString();

    private void Add(FormattableString markup) => _svg.Append(markup.ToString(CultureInfo.InvariantCulture));
}
