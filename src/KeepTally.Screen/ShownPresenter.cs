using KeepTally.Core.Cards;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Text;
using KeepTally.Core.Training;

namespace KeepTally.Screen;

/// <summary>Puts what happens in a simulated drill into what the person training sees of it.</summary>
public static class ShownPresenter
{
    public static ShownView Of(Sheet sheet, Shown shown)
    {
        var outcome = sheet.Stage.Outcomes.FirstOrDefault(each => each.Id == shown.What.Outcome);
        var zone = shown.What.Zone;
        return new ShownView(
            shown.At.Milliseconds,
            shown.What.Unit is { } unit ? sheet.CallNameOf(unit) : "",
            outcome?.Label ?? (zone is null or Targets.None ? "Elsewhere" : Phrase.Capital(Phrase.Words(zone))),
            zone ?? "",
            outcome?.Result switch
            {
                OutcomeResult.Success => "made",
                OutcomeResult.Failure => "missed",
                _ => zone == Targets.None ? "missed" : "other",
            }
        );
    }
}

/// <summary>Something that happens in a simulated drill.</summary>
/// <param name="At">When it is seen, in milliseconds of the run.</param>
/// <param name="Who">By whom, by call name.</param>
/// <param name="What">What came of it.</param>
/// <param name="Zone">Where it went; empty where that is not asked.</param>
/// <param name="Form">made, missed or other.</param>
public sealed record ShownView(long At, string Who, string What, string Zone, string Form);

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
