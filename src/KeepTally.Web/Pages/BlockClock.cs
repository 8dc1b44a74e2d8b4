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
public sealed record BlockClock(string Words, IReadOnlyList<(FitWay Way, string Words)> Ways)
{
    private static readonly BlockClock Nothing = new("", []);

    /// <param name="dealt">The block as it would be dealt now.</param>
    public static BlockClock Of(DealtBlock? dealt) =>
        dealt is { Block: { Circuit: null, IsPause: false } block, Cards: [var card, ..] }
            ? Of(card.Stages[block.Stage].Clock, block.Minutes, block.FitsClock)
            : Nothing;

    /// <param name="clock">The clock of the card, or null.</param>
    public static BlockClock Of(ClockPlan? clock, double minutes, bool fits)
    {
        if (clock is not { } plan)
        {
            return Nothing;
        }

        var given = Duration.FromMinutes(minutes);
        var fitted = ClockFit.To(plan, given);
        if (fits)
        {
            return new BlockClock($"{Phrase.Capital(Rounds(fitted))} to fit.", [(FitWay.Card, $"As on the card: {Rounds(plan)}")]);
        }

        if (ClockFit.Times(plan, given) is > 1 and var times)
        {
            return new BlockClock($"Its clock runs {Phrase.Clock(plan.Total)}: time for {Phrase.Times(times)}.", []);
        }

        return ClockFit.Differ(plan, given)
            ? new BlockClock(
                $"Its clock runs {Phrase.Clock(plan.Total)}.",
                [
                    (FitWay.Rounds, $"Fit it: {Rounds(fitted)}"),
                    (FitWay.Minutes, $"Give it {Phrase.Figure(ClockFit.MinutesFor(plan))} min"),
                ]
            )
            : Nothing;
    }

    private static string Rounds(ClockPlan plan) =>
        plan.Rounds == 1 ? $"{Phrase.Span(plan.Work)} of work" : $"{Phrase.Figure(plan.Rounds)} rounds";
}
