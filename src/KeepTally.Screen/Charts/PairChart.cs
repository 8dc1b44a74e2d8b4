using KeepTally.Core.Judgement;

namespace KeepTally.Screen.Charts;

/// <summary>Two shares of each line with their likely ranges, the earlier above the later: a ring and a dot.</summary>
public static class PairChart
{
    private const double Left = 104;
    private const double Right = ChartCanvas.Width - 14;
    private const double Top = 6;
    private const double Row = 36;
    private const double Apart = 6;
    private const double Radius = 5;
    private const int LongestName = 13;

    /// <param name="lines">A name and two shares each; where there were no goes nothing is drawn.</param>
    /// <param name="label">What it shows, in a sentence.</param>
    public static string Of(IReadOnlyList<(string Name, Share First, Share Second)> lines, string label)
    {
        var bottom = Top + (lines.Count * Row);
        var canvas = new ChartCanvas("chart-pairs", bottom + 24, label);
        static double X(double share) => Left + ((Right - Left) * share);
        foreach (var mark in (double[])[0, 0.25, 0.5, 0.75, 1])
        {
            canvas.Line("chart-grid", X(mark), Top, X(mark), bottom);
            canvas.Text("chart-tick", X(mark), bottom + 17, $"{100 * mark} %", "middle");
        }

        foreach (var (index, (name, first, second)) in lines.Index())
        {
            var y = Top + ((index + 0.5) * Row);
            canvas.Text("chart-name", Left - 10, y + 5, name.Length <= LongestName ? name : $"{name[..(LongestName - 1)]}…", "end");
            Draw(first, y - Apart, "chart-ring");
            Draw(second, y + Apart, "chart-dot");
        }

        return canvas.Close();

        void Draw(Share share, double y, string kind)
        {
            if (share.Of > 0)
            {
                canvas.Line("chart-range", X(share.Bounds.Low), y, X(share.Bounds.High), y);
                canvas.Dot(kind, X(share.Value), y, Radius);
            }
        }
    }
}
