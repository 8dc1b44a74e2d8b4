using System.Globalization;
using System.Text;
using KeepTally.Core.Judgement;
using Microsoft.AspNetCore.Html;

namespace KeepTally.Web.Drawing;

/// <summary>
/// Shares of practice after practice as a picture: a dot for each with its likely range, the band aimed at behind
/// them, and the trend, drawn through only where there is one.
/// </summary>
public static class TrendDrawing
{
    private const double Width = 420;
    private const double Height = 210;
    private const double Left = 44;
    private const double Right = 24;
    private const double Top = 12;
    private const double Bottom = 30;

    /// <param name="days">The oldest first; at least one.</param>
    /// <param name="trend">Null where there are too few practices for one.</param>
    /// <param name="band">The band of success aimed at.</param>
    /// <param name="words">What it shows, for who cannot see it.</param>
    public static IHtmlContent Of(IReadOnlyList<(DateOnly Date, Share Share)> days, Trend? trend, SuccessBand band, string words)
    {
        var svg = new StringBuilder();
        var (first, last) = (days[0].Date.DayNumber, days[^1].Date.DayNumber);
        double X(DateOnly date) =>
            Left + ((Width - Left - Right) * (first == last ? 0.5 : (double)(date.DayNumber - first) / (last - first)));
        double Y(double share) => Top + ((Height - Top - Bottom) * (1 - share));
        Add($"""<svg class="trend-picture" viewBox="0 0 {Width} {Height}" role="img" aria-label="{Encode(words)}">""");
        Add(
            $"""<rect class="trend-band" x="{Left}" y="{Y(band.High)}" width="{Width - Left - Right}" height="{Y(band.Low) - Y(band.High)}"/>"""
        );
        foreach (var mark in new[] { 0, 0.25, 0.5, 0.75, 1 })
        {
            Add($"""<line class="trend-grid" x1="{Left}" x2="{Width - Right}" y1="{Y(mark)}" y2="{Y(mark)}"/>""");
            Add($"""<text class="trend-mark" x="{Left - 8}" y="{Y(mark) + 5}" text-anchor="end">{100 * mark}%</text>""");
        }

        if (trend is { IsChange: true })
        {
            Add(
                $"""<line class="trend-line" x1="{X(days[0].Date)}" y1="{Y(Math.Clamp(trend.First, 0, 1))}" x2="{X(days[^1].Date)}" y2="{Y(Math.Clamp(trend.Last, 0, 1))}"/>"""
            );
        }

        var lastText = double.NegativeInfinity;
        foreach (var (date, share) in days)
        {
            var (x, bounds) = (X(date), share.Bounds);
            if (share.Of > 0)
            {
                Add($"""<line class="trend-bounds" x1="{x}" x2="{x}" y1="{Y(bounds.High)}" y2="{Y(bounds.Low)}"/>""");
                Add(
                    $"""<circle class="trend-dot" cx="{x}" cy="{Y(share.Value)}" r="{Math.Clamp(2 + Math.Sqrt(share.Of) / 2, 3, 9)}"/>"""
                );
            }

            // Where dates would run into each other some are left out; the table has them all.
            if (x - lastText >= 58)
            {
                lastText = x;
                Add($"""<text class="trend-mark" x="{x}" y="{Height - 8}" text-anchor="middle">{date:d MMM}</text>""");
            }
        }

        Add($"</svg>");
        return new HtmlString(svg.ToString());

        void Add(FormattableString text) => svg.Append(text.ToString(CultureInfo.InvariantCulture));
    }

    private static string Encode(string text) => System.Text.Encodings.Web.HtmlEncoder.Default.Encode(text);
}
