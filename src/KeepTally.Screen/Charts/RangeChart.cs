using System.Globalization;
using KeepTally.Core.Judgement;

namespace KeepTally.Screen.Charts;

/// <summary>
/// Shares of practice after practice: a dot for each with its likely range, the band aimed at behind them, and the trend, drawn
/// through only where there is one.
/// </summary>
public static class RangeChart
{
    private const double Left = 44;
    private const double Right = ChartCanvas.Width - 12;
    private const double Top = 10;
    private const double DateWide = 52;

    /// <param name="days">The oldest first; at least one.</param>
    /// <param name="trend">Null where there are too few practices for one.</param>
    /// <param name="band">The band of success aimed at.</param>
    /// <param name="label">What it shows, in a sentence.</param>
    /// <param name="small">Drawn flatter, as one of many of its kind side by side.</param>
    public static string Of(
        IReadOnlyList<(DateOnly Date, Share Share)> days,
        Trend? trend,
        SuccessBand band,
        string label,
        bool small = false
    )
    {
        var height = small ? 110.0 : 170;
        var bottom = height - 26;
        var canvas = new ChartCanvas("chart-days", height, label);
        var (first, last) = (days[0].Date.DayNumber, days[^1].Date.DayNumber);
        double X(DateOnly date) =>
            Left + 8 + ((Right - Left - 16) * (first == last ? 0.5 : (double)(date.DayNumber - first) / (last - first)));
        double Y(double share) => Top + ((bottom - Top) * (1 - share));

        canvas.Box("chart-band", Left, Y(band.High), Right - Left, Y(band.Low) - Y(band.High));
        foreach (var mark in small ? (double[])[0, 0.5, 1] : [0, 0.25, 0.5, 0.75, 1])
        {
            canvas.Line(mark == 0 ? "chart-zero" : "chart-grid", Left, Y(mark), Right, Y(mark));
            canvas.Text("chart-tick", Left - 6, Y(mark) + 5, $"{100 * mark} %", "end");
        }

        if (trend is { IsChange: true })
        {
            canvas.Line(
                "chart-trend",
                X(days[0].Date),
                Y(Math.Clamp(trend.First, 0, 1)),
                X(days[^1].Date),
                Y(Math.Clamp(trend.Last, 0, 1))
            );
        }

        var lastText = double.NegativeInfinity;
        foreach (var (date, share) in days)
        {
            var (x, bounds) = (X(date), share.Bounds);
            if (share.Of > 0)
            {
                canvas.Line("chart-range", x, Y(bounds.High), x, Y(bounds.Low));
                canvas.Dot("chart-dot", x, Y(share.Value), Math.Clamp(2 + (Math.Sqrt(share.Of) / 2), 3, 8));
            }

            // Where dates would run into each other some are left out; the table has them all.
            if (x - lastText >= DateWide)
            {
                lastText = x;
                canvas.Text(
                    "chart-tick",
                    Math.Clamp(x, DateWide / 2, ChartCanvas.Width - (DateWide / 2)),
                    height - 8,
                    date.ToString("d MMM", CultureInfo.InvariantCulture),
                    "middle"
                );
            }
        }

        return canvas.Close();
    }
}
