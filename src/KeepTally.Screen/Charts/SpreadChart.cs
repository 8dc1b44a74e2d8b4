using KeepTally.Core.Simulation;

namespace KeepTally.Screen.Charts;

/// <summary>A mark on the scale of a <see cref="SpreadChart"/>.</summary>
/// <param name="At">Where on the scale.</param>
/// <param name="Text">What it is.</param>
public readonly record struct SpreadMark(double At, string Text);

/// <summary>How many runs ended where: a column for each stretch of the scale, the band of 8 in 10 behind them, and marks.</summary>
public static class SpreadChart
{
    private const double Left = 10;
    private const double Right = ChartCanvas.Width - 10;
    private const double Top = 26;
    private const double Bottom = 132;
    private const double Height = 158;
    private const double Gap = 1;
    private const double NearEdge = 44;

    /// <param name="spread">What is drawn; at least one run.</param>
    /// <param name="figure">A value of the scale as it is written.</param>
    /// <param name="mark">A line across, as for the end of the time there is; null for none.</param>
    /// <param name="label">What it shows, in a sentence.</param>
    /// <param name="unit">What the scale is marked in round numbers of: 60 for minutes of seconds.</param>
    public static string Of(Distribution spread, Func<double, string> figure, SpreadMark? mark, string label, double unit = 1)
    {
        var (from, width, counts) = (spread.Spread.From, spread.Spread.Width, spread.Spread.Counts);
        var canvas = new ChartCanvas("chart-spread", Height, label);
        var end = Math.Max(from + (width * counts.Count), mark is { } set ? set.At + width : 0);
        var low = Math.Min(from, mark?.At ?? from);
        double X(double value) => Left + ((Right - Left) * Math.Clamp((value - low) / (end - low), 0, 1));
        double Y(int count) => Bottom - ((Bottom - Top) * count / counts.Max());

        var (tenth, nineTenths) = (Math.Floor(spread.Tenth / width) * width, (Math.Floor(spread.NineTenths / width) + 1) * width);
        canvas.Box("chart-band", X(tenth), Top, X(nineTenths) - X(tenth), Bottom - Top);
        foreach (var (index, count) in counts.Index())
        {
            var (x, next) = (X(from + (index * width)), X(from + ((index + 1) * width)));
            canvas.Box("chart-bar", x + Gap, Y(count), Math.Max(0.5, next - x - (2 * Gap)), Bottom - Y(count));
        }

        canvas.Line("chart-zero", Left, Bottom, Right, Bottom);
        var half = width == 1 ? 0.5 : 0;
        foreach (var tick in Ticks.Of(low / unit, (end - (width == 1 ? 1 : 0)) / unit, 6, whole: true).Select(tick => tick * unit))
        {
            canvas.Line("chart-notch", X(tick + half), Bottom, X(tick + half), Bottom + 4);
            canvas.Text("chart-tick", Math.Clamp(X(tick + half), 16, ChartCanvas.Width - 16), Bottom + 19, figure(tick), "middle");
        }

        if (mark is { } drawn)
        {
            var x = X(drawn.At);
            canvas.Line("chart-limit", x, Top - 6, x, Bottom);
            canvas.Text(
                "chart-tick",
                x,
                Top - 11,
                drawn.Text,
                x > Right - NearEdge ? "end"
                    : x < Left + NearEdge ? "start"
                    : "middle"
            );
        }

        return canvas.Close();
    }

    /// <summary>What is drawn, in words.</summary>
    /// <param name="spread">What is drawn.</param>
    public static string Key(Distribution spread) =>
        spread.Spread.HasMore
            ? "Columns: runs that ended there; the last one has all longer or higher ones, too. Shaded: 8 of 10 runs."
            : "Columns: runs that ended there. Shaded: 8 of 10 runs.";
}
