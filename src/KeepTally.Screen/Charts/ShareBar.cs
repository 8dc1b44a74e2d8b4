using KeepTally.Core.Text;

namespace KeepTally.Screen.Charts;

/// <summary>A whole in its parts, one beside the other: who would win, and how often nobody.</summary>
public static class ShareBar
{
    private const double High = 30;
    private const double Wide = ChartCanvas.Width - 2;
    private const double RoomForText = 0.14;

    private static readonly string[] Kinds = ["chart-bar", "chart-whole", "chart-band"];

    /// <param name="parts">A name and a share each, at most three; the shares come to one.</param>
    /// <param name="label">What it shows, in a sentence.</param>
    public static string Of(IReadOnlyList<(string Name, double Share)> parts, string label)
    {
        var canvas = new ChartCanvas("chart-share", High + 24, label);
        var x = 1.0;
        foreach (var (index, (name, share)) in parts.Index().Where(part => part.Item.Share > 0))
        {
            var wide = Wide * share;
            canvas.Box(Kinds[index], x, 22, wide, High);
            if (share >= RoomForText)
            {
                canvas.Text("chart-side", x + 2, 16, name);
                canvas.Text(index == 0 ? "chart-on-bar" : "chart-tick", x + 8, 22 + (High / 2) + 5, Phrase.Percent(share));
            }

            x += wide;
        }

        return canvas.Close();
    }
}
