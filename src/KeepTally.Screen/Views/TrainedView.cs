using KeepTally.Core.Training;

namespace KeepTally.Screen.Views;

/// <summary>How well it was tapped.</summary>
/// <param name="Shown">The number of happenings shown.</param>
/// <param name="Right">The number tapped right.</param>
/// <param name="Late">The number tapped right, but late.</param>
/// <param name="Missed">The number not tapped.</param>
/// <param name="Doubled">The number tapped twice.</param>
/// <param name="WrongPlayer">The number tapped for another player.</param>
/// <param name="WrongWhat">The number tapped with another outcome.</param>
/// <param name="Extra">The number of taps for which nothing had happened.</param>
/// <param name="Seconds">From seeing to tapping; null where nothing was right.</param>
public sealed record TrainedView(
    int Shown,
    int Right,
    int Late,
    int Missed,
    int Doubled,
    int WrongPlayer,
    int WrongWhat,
    int Extra,
    double? Seconds
)
{
    public static TrainedView Of(ThumbReport report) =>
        new(
            report.Shown,
            report.Right,
            report.Late,
            report.Missed,
            report.Doubled,
            report.WrongPlayer,
            report.WrongWhat,
            report.Extra,
            report.Quickness is { } quick ? Math.Round(quick.TotalSeconds, 1) : null
        );
}
