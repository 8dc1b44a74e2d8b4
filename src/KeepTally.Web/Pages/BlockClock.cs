using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Planning;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;

namespace KeepTally.Web.Pages;

/// <summary>Whether the clock of a block's card and the minutes of the block go together, in words, and what can be done.</summary>
/// <param name="Words">What is so; empty where there is nothing to say.</param>
/// <param name="Ways">What can be pressed, each with its words.</param>
public sealed record BlockClock(string Words, IReadOnlyList<(ClockFitWay Way, string Words)> Ways)
{
    private static readonly BlockClock Nothing = new("", []);

    /// <param name="dealt">The block as it would be dealt now.</param>
    public static BlockClock Of(DealtBlock? dealt) =>
        dealt is { Block: { Circuit: null, IsPause: false } block, Cards: [var card, ..] }
            ? Of(card.Stages[block.Stage], dealt.MostUnits, block.Minutes, block.FitsClock)
            : Nothing;

    /// <param name="stage">The stage that is done; null of a break.</param>
    /// <param name="units">How many units are on its largest sheet.</param>
    /// <param name="minutes">The minutes of the line.</param>
    /// <param name="fits">True where the clock follows the minutes.</param>
    public static BlockClock Of(Stage? stage, int units, double minutes, bool fits)
    {
        if (stage?.Clock is not { } plan)
        {
            return Nothing;
        }

        var given = Duration.FromMinutes(minutes);
        var turns = ClockFit.Turns(stage, units);
        var fitted = ClockFit.To(plan, given, turns);
        if (fits)
        {
            return new BlockClock(
                Sentences($"{Phrase.Capital(Rounds(fitted))} to fit.", Missed(fitted, turns)),
                [(ClockFitWay.Card, $"As on the card: {Rounds(plan)}")]
            );
        }

        if (Missed(plan, turns) is { Length: > 0 } missed)
        {
            return new BlockClock(missed, fitted.Rounds > plan.Rounds ? [(ClockFitWay.Rounds, Change(plan, fitted))] : []);
        }

        if (ClockFit.Times(plan, given) is > 1 and var times)
        {
            return new BlockClock($"Its clock runs {Phrase.Clock(plan.Total)}: time for {Phrase.Times(times)}.", []);
        }

        return ClockFit.Differ(plan, given)
            ? new BlockClock(
                $"Its clock runs {Phrase.Clock(plan.Total)}.",
                [(ClockFitWay.Rounds, Change(plan, fitted)), (ClockFitWay.Minutes, Slot(minutes, ClockFit.MinutesFor(plan)))]
            )
            : Nothing;
    }

    /// <summary>"Four rounds for five: one gets no turn."; empty where everyone gets one.</summary>
    private static string Missed(ClockPlan plan, int turns) =>
        turns <= plan.Rounds
            ? ""
            : $"{Phrase.Capital(Phrase.Of(plan.Rounds, "round"))} for {Phrase.Count(turns)}: {Phrase.Count(turns - plan.Rounds)} {(turns - plan.Rounds == 1 ? "gets" : "get")} no turn.";

    private static string Sentences(string one, string other) => other.Length == 0 ? one : $"{one} {other}";

    /// <summary>"Play 5 rounds", or of a single round "Stretch to 9:55", "Shorten to 3:30".</summary>
    private static string Change(ClockPlan plan, ClockPlan fitted) =>
        fitted.Rounds > 1 ? $"Play {Rounds(fitted)}"
        : plan.Rounds == 1 ? $"{(fitted.Work > plan.Work ? "Stretch" : "Shorten")} to {Phrase.Clock(fitted.Work)}"
        : $"Play one round of {Phrase.Clock(fitted.Work)}";

    /// <summary>"Shorten the slot to 5.5 min", "Lengthen the slot to 9 min".</summary>
    private static string Slot(double minutes, double needed) =>
        $"{(needed < minutes ? "Shorten" : "Lengthen")} the slot to {Phrase.Figure(needed)} min";

    private static string Rounds(ClockPlan plan) =>
        plan.Rounds == 1 ? $"{Phrase.Span(plan.Work)} of work" : $"{Phrase.Figure(plan.Rounds)} rounds";
}
