using KeepTally.Core.Text;

namespace KeepTally.Screen.Charts;

/// <summary>A column of a <see cref="ColumnChart"/>.</summary>
/// <param name="Label">What is written under it; where labels would run into each other, some are left out.</param>
/// <param name="Value">How high it is.</param>
/// <param name="Part">How much of it is filled; all of it where it is left out.</param>
public readonly record struct Column(string Label, double Value, double? Part = null);

/// <summary>Columns side by side from nought, over a scale of whole numbers, with a line where a limit is.</summary>
public static class ColumnChart
{
    private const double Left = 34;
    private const double Right = ChartCanvas.Width - 8;
    private const double Top = 12;
    private const double Bottom = 144;
    private const double Height = 168;
    private const double Widest = 28;
    private const double LetterWide = 7.6;

    /// <param name="columns">The columns, at least one.</param>
    /// <param name="limit">How high the line of the limit is; null for none.</param>
    /// <param name="label">What it shows, in a sentence.</param>
    public static string Of(IReadOnlyList<Column> columns, double? limit, string label)
    {
        var canvas = new ChartCanvas("chart-columns", Height, label);
        var high = Math.Max(1, Math.Max(columns.Max(column => column.Value), limit ?? 0));
        var step = (Right - Left) / columns.Count;
        var wide = Math.Min(Widest, step * 0.8);
        double Y(double value) => Bottom - ((Bottom - Top) * value / high);
        foreach (var tick in Ticks.Of(0, high, 5, whole: true))
        {
            canvas.Line(tick == 0 ? "chart-zero" : "chart-grid", Left, Y(tick), Right, Y(tick));
            canvas.Text("chart-tick", Left - 6, Y(tick) + 5, Phrase.Figure(tick), "end");
        }

        var free = double.NegativeInfinity;
        foreach (var (index, column) in columns.Index())
        {
            var middle = Left + (step * (index + 0.5));
            if (column.Part is { } part)
            {
                canvas.Box("chart-whole", middle - (wide / 2), Y(column.Value), wide, Bottom - Y(column.Value));
                canvas.Box("chart-bar", middle - (wide / 2), Y(part), wide, Bottom - Y(part));
            }
            else
            {
                canvas.Box("chart-bar", middle - (wide / 2), Y(column.Value), wide, Bottom - Y(column.Value));
            }

            var half = column.Label.Length * LetterWide / 2;
            var at = Math.Clamp(middle, half, ChartCanvas.Width - half);
            if (column.Label.Length > 0 && at - half > free)
            {
                canvas.Text("chart-tick", at, Bottom + 18, column.Label, "middle");
                free = at + half;
            }
        }

        if (limit is { } most)
        {
            canvas.Line("chart-limit", Left, Y(most), Right, Y(most));
        }

        return canvas.Close();
    }
}
