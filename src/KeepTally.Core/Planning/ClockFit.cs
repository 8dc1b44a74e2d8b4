using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Time;

namespace KeepTally.Core.Planning;

/// <summary>
/// How the clock of a card and the minutes a block is given go together: where they differ, either the rounds can be fitted to
/// the minutes, or the minutes to the rounds.
/// </summary>
public static class ClockFit
{
    /// <summary>What a block may have left for walking and explaining before it is worth a word.</summary>
    private static readonly Duration Leeway = Duration.FromMinutes(1);

    /// <summary>By how much a clock may outrun its block before it is worth a word: counting in.</summary>
    private static readonly Duration Overrun = Duration.FromSeconds(15);

    private static readonly Duration Step = Duration.FromSeconds(5);

    /// <summary>
    /// Whether a clock and the time given differ by more than what is lost anyhow. A single round that fits several times is
    /// played again and again, and differs by nothing.
    /// </summary>
    public static bool Differ(ClockPlan plan, Duration given) =>
        plan.Total > given + Overrun || (plan.Total < given - Leeway && Times(plan, given) < 2);

    /// <summary>How often a clock of a single round runs in the time given; 1 where it has more rounds.</summary>
    public static int Times(ClockPlan plan, Duration given) =>
        plan.Rounds == 1 ? Math.Max(1, (int)(given.Milliseconds / plan.Total.Milliseconds)) : 1;

    /// <summary>The whole minutes and halves that hold a clock.</summary>
    public static double MinutesFor(ClockPlan plan) => Math.Ceiling(plan.Total.TotalSeconds / 30) / 2;

    /// <summary>
    /// The same clock with as many rounds as fit, one at least; a clock of a single round works longer or shorter, in whole
    /// steps of five seconds.
    /// </summary>
    public static ClockPlan To(ClockPlan plan, Duration given)
    {
        if (plan.Rounds == 1)
        {
            var work = given - plan.CountIn;
            return plan with { Work = Duration.Max(Step, Duration.FromSeconds(work.Milliseconds / 5000 * 5)) };
        }

        var fitted = plan with { Rounds = 1, BreakAfter = null };
        for (var rounds = 2; rounds <= 1000; rounds++)
        {
            var more = plan with { Rounds = rounds, BreakAfter = plan.BreakAfter is { } rest && rest.Round < rounds ? rest : null };
            if (more.Total > given)
            {
                break;
            }

            fitted = more;
        }

        return fitted;
    }

    /// <summary>
    /// The limit of a stage once its clock is fitted: where it was all that is played it still is; in turns it is that of one
    /// turn, and stays. Null where the stage has none, or one of its own.
    /// </summary>
    public static Duration? LimitFor(Stage stage, ClockPlan fitted)
    {
        var own = stage.Clock!;
        return
            stage.Play != Play.Turns
            && stage.Until.OfType<TimeEnding>().FirstOrDefault() is { } limit
            && limit.Length == own.Total - own.CountIn
            ? fitted.Total - fitted.CountIn
            : null;
    }
}
