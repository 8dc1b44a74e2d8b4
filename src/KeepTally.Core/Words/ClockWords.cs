using KeepTally.Core.Clock;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>The intervals of a stage, in words.</summary>
internal static class ClockWords
{
    internal static IEnumerable<string> Of(ClockPlan plan)
    {
        var rounds =
            plan.Rounds == 1
                ? $"work for {Phrase.Span(plan.Work)}"
                : $"{Phrase.Of(plan.Rounds, "round")} of {Phrase.Span(plan.Work)}"
                    + (plan.Change > Duration.Zero ? $", {Phrase.Span(plan.Change)} to change over" : "");
        yield return Phrase.Sentence(rounds + (plan.CountIn > Duration.Zero ? $"; counted in, {Phrase.Span(plan.CountIn)}" : ""));
        if (plan.BreakAfter is { } rest)
        {
            yield return Phrase.Sentence($"after the {Phrase.Ordinal(rest.Round)} round a break of {Phrase.Span(rest.Length)}");
        }

        if (plan.Surprise is { } surprise)
        {
            yield return Phrase.Sentence(
                $"a signal comes when nobody expects it, {Phrase.Figure(surprise.Min.TotalSeconds)} to {Phrase.Span(surprise.Max)} into the work"
            );
        }

        if (plan.Rep is { } rep)
        {
            yield return Phrase.Sentence(
                $"{Phrase.Span(rep)} for each rep, {(plan.RepFrom == RepStart.Whistle ? "from the coach's whistle" : "from the tap before")}"
            );
        }
    }
}
