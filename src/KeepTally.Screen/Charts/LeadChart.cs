using KeepTally.Core.Reports;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Screen.Charts;

/// <summary>
/// The lead in a match as steps over its time: above the middle line the first side is ahead, below it the second. A ring marks
/// where the lead changed hands, a cross a tap that was undone.
/// </summary>
public static class LeadChart
{
    private const double Left = 34;
    private const double Right = ChartCanvas.Width - 8;
    private const double Top = 26;
    private const double Bottom = 166;
    private const double Height = 192;
    private const double Cross = 3.5;

    /// <summary>The room that a letter takes at most.</summary>
    private const double Letter = 9;
    private const int Minute = 60_000;

    /// <param name="game">The course of the game.</param>
    /// <param name="ran">How long it ran.</param>
    /// <param name="label">What it shows, in a sentence.</param>
    public static string Of(LeadCourse game, Duration ran, string label)
    {
        var canvas = new ChartCanvas("chart-lead", Height, label);
        var (high, low) = (Math.Max(1, game.FirstBy), -Math.Max(1, game.SecondBy));
        var end = Math.Max(1, Math.Max(ran.Milliseconds, game.Steps.Count > 0 ? game.Steps[^1].At.Milliseconds : 0));
        double X(RunningTime at) => Left + ((Right - Left) * at.Milliseconds / end);
        double Y(double lead) => Top + ((Bottom - Top) * (high - lead) / (high - low));

        canvas.Text("chart-side", Left, Top - 10, $"{game.First} ahead");
        var side = $"{game.Second} ahead";
        canvas.Text("chart-side", Left, Bottom + 18, side);
        foreach (var tick in Ticks.Of(low, high, 5, whole: true))
        {
            canvas.Line(tick == 0 ? "chart-zero" : "chart-grid", Left, Y(tick), Right, Y(tick));
            canvas.Text("chart-tick", Left - 6, Y(tick) + 5, Phrase.Figure(Math.Abs(tick)), "end");
        }

        var (x, y) = (Left, Y(0));
        var way = new List<(double X, double Y)> { (x, y) };
        foreach (var step in game.Steps)
        {
            way.Add((X(step.At), y));
            y = Y(step.Lead);
            way.Add((X(step.At), y));
        }

        way.Add((Right, y));
        canvas.Path("chart-area", [.. way, (Right, Y(0)), (Left, Y(0))], isClosed: true);
        canvas.Path("chart-line", way);
        foreach (var change in game.Changes)
        {
            canvas.Dot("chart-ring", X(change.At), Y(0), 5);
        }

        foreach (var at in game.Undone.Select(X))
        {
            canvas.Line("chart-cross", at - Cross, Y(0) - Cross, at + Cross, Y(0) + Cross);
            canvas.Line("chart-cross", at - Cross, Y(0) + Cross, at + Cross, Y(0) - Cross);
        }

        foreach (var minute in Ticks.Of(0, (double)end / Minute, 5, whole: end > 2 * Minute).Where(IsToldToTheSecond))
        {
            var at = X(new RunningTime((long)(minute * Minute)));
            canvas.Line("chart-notch", at, Bottom, at, Bottom + 4);
            if (at < Left + (side.Length * Letter))
            {
                continue;
            }

            canvas.Text(
                "chart-tick",
                Math.Min(at, Right - 2),
                Bottom + 18,
                Phrase.Clock(Duration.FromMinutes(minute)),
                at > Right - 16 ? "end" : "middle"
            );
        }

        return canvas.Close();
    }

    /// <summary>What the marks mean that are drawn; empty where there is none.</summary>
    public static string Key(LeadCourse game)
    {
        string[] marks =
        [
            game.Changes.Count > 0 ? "Ring: the lead changed hands" : "",
            game.Undone.Count > 0 ? "Cross: a tap that was undone" : "",
        ];
        var told = marks.Where(mark => mark.Length > 0).ToArray();
        return told.Length == 0 ? "" : $"{string.Join(". ", told)}.";
    }

    /// <summary>In the first seconds of a game a mark may fall between two seconds, and its figure would be another moment.</summary>
    private static bool IsToldToTheSecond(double minutes) =>
        minutes > 0 && Math.Abs((minutes * 60) - Math.Round(minutes * 60)) < 1e-6;
}
