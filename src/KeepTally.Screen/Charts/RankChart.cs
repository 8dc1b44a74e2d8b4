namespace KeepTally.Screen.Charts;

/// <summary>A line of a <see cref="RankChart"/>.</summary>
/// <param name="Name">Who it is.</param>
/// <param name="Value">What is drawn; null where there is none.</param>
/// <param name="Figure">The value as it is written.</param>
/// <param name="Best">The personal best before it; null where there is none.</param>
public sealed record RankBar(string Name, double? Value, string Figure, double? Best = null);

/// <summary>Bars one under the other, in their order, with a line for par and a notch for the personal best before.</summary>
public static class RankChart
{
    private const double Left = 92;
    private const double Right = ChartCanvas.Width - 52;
    private const double Row = 26;
    private const double Bar = 14;
    private const double Reach = 4;
    private const int LongestName = 12;

    /// <param name="bars">The lines; at least one with a value.</param>
    /// <param name="par">Where the line of par stands; null for none.</param>
    /// <param name="parText">What is written at it.</param>
    /// <param name="label">What it shows, in a sentence.</param>
    public static string Of(IReadOnlyList<RankBar> bars, double? par, string parText, string label)
    {
        var top = par is null ? 4.0 : 24;
        var canvas = new ChartCanvas("chart-rank", top + (bars.Count * Row), label);
        double[] drawn =
        [
            0,
            .. bars.SelectMany(bar => (double?[])[bar.Value, bar.Best]).OfType<double>(),
            .. par is { } set ? [set] : Array.Empty<double>(),
        ];
        var (low, high) = (drawn.Min(), Math.Max(drawn.Max(), drawn.Min() + 1e-9));
        double X(double value) => Left + ((Right - Left) * (value - low) / (high - low));

        foreach (var (index, bar) in bars.Index())
        {
            var y = top + (index * Row);
            canvas.Text("chart-name", Left - 8, y + Bar - 1, Short(bar.Name), "end");
            if (bar.Value is { } value)
            {
                canvas.Box("chart-bar", Math.Min(X(0), X(value)), y, Math.Abs(X(value) - X(0)), Bar);
            }

            if (bar.Best is { } best)
            {
                canvas.Line("chart-best", X(best), y - Reach, X(best), y + Bar + Reach);
            }

            canvas.Text("chart-value", ChartCanvas.Width - 4, y + Bar - 1, bar.Figure, "end");
        }

        canvas.Line("chart-zero", X(0), top - 2, X(0), top + (bars.Count * Row) - (Row - Bar) + 2);
        if (par is { } standard)
        {
            canvas.Line("chart-par", X(standard), top - 4, X(standard), top + (bars.Count * Row));
            canvas.Text("chart-tick", Math.Min(X(standard), ChartCanvas.Width - 40), 13, parText, "middle");
        }

        return canvas.Close();
    }

    private static string Short(string name) => name.Length <= LongestName ? name : $"{name[..(LongestName - 1)]}…";
}
