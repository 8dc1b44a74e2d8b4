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
    /// <summary>The spare time of a block, for walking and explaining, that is not worth a warning.</summary>
    private static readonly Duration Leeway = Duration.FromMinutes(1);

    /// <summary>By how much a clock may outrun its block before it is worth a word: counting in.</summary>
    private static readonly Duration Overrun = Duration.FromSeconds(15);

    private const int MostRounds = 1000;

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

    /// <summary>Returns how many units take their turns by the rounds of a clock; 1 where rounds are nobody's turn.</summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="units">How many units are on the largest sheet.</param>
    public static int Turns(Stage stage, int units) => stage is { Play: Play.Turns, Clock.Rounds: > 1 } ? Math.Max(1, units) : 1;

    /// <summary>
    /// The same clock with as many rounds as fit, one at least, in turns a whole number of turns for everyone where there is time
    /// for one each; a clock of a single round works longer or shorter, in whole steps of five seconds.
    /// </summary>
    /// <param name="plan">The plan of the clock.</param>
    /// <param name="given">The time given.</param>
    /// <param name="turns">How many take turns by its rounds; see <see cref="Turns"/>.</param>
    public static ClockPlan To(ClockPlan plan, Duration given, int turns = 1)
    {
        if (plan.Rounds == 1)
        {
            var work = given - plan.CountIn;
            return plan with { Work = Duration.Max(Step, Duration.FromSeconds(work.Milliseconds / 5000 * 5)) };
        }

        var rounds = 1;
        while (rounds < MostRounds && With(plan, rounds + 1).Total <= given)
        {
            rounds++;
        }

        return With(plan, rounds >= turns ? rounds / turns * turns : rounds);
    }

    private static ClockPlan With(ClockPlan plan, int rounds) =>
        plan with
        {
            Rounds = rounds,
            BreakAfter = plan.BreakAfter is { } rest && rest.Round < rounds ? rest : null,
        };

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
