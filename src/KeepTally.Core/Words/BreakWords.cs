using KeepTally.Core.Clock;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>The name of the break of a clock.</summary>
public static class BreakWords
{
    /// <summary>Whether the break parts the play into two halves.</summary>
    public static bool IsHalfTime(ClockPlan plan) => plan.BreakAfter is { } rest && rest.Round * 2 == plan.Rounds;

    /// <summary>"at half-time" or "in the break" for a moment of the past that was in it; else empty.</summary>
    public static string At(Sheet sheet, Instant moment)
    {
        if (sheet.Stage.Clock?.BreakAfter is null)
        {
            return "";
        }

        // The clock as it stood then, from what had been said by then.
        var then = Sheet.Open(sheet.Card, sheet.Head).Require();
        then.AddAll([.. sheet.Log.Events.Where(said => said.At <= moment)]);
        return
            then.Timeline is { } timeline
            && then.Score.Clock.IsStarted
            && timeline.At(then.Score.Clock.At(moment)).Kind == IntervalKind.Break
            ? IsHalfTime(timeline.Plan)
                ? "at half-time"
                : "in the break"
            : "";
    }
}
