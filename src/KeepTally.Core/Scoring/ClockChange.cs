using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>Applies a coach's change to the clock. Source: docs/formats.md, section 2, <c>add</c>, <c>skip</c>, <c>rounds</c>.</summary>
internal static class ClockChange
{
    /// <summary>The clock from then on; the same one where the word does nothing, as a skip of what is over already.</summary>
    /// <param name="said">The event.</param>
    /// <param name="plan">The plan of the clock.</param>
    /// <param name="now">What the clock reads.</param>
    internal static ClockPlan Of(RunEvent said, ClockPlan plan, ClockTime now) =>
        said switch
        {
            RunEvent.Add add => plan.Longer(now, add.By),
            RunEvent.Rounds rounds => plan.OfRounds(rounds.Count, now),
            RunEvent.Skip skip => new Timeline(plan).At(now) is var under && under.Kind == skip.Kind && under.Round == skip.Round
                ? plan.Moved(under, now - under.End)
                : plan,
            _ => plan,
        };

    /// <summary>Whether in turns the limit of the turn under way moves, too: work was made longer or shorter, not a rest.</summary>
    internal static bool MovesTurn(RunEvent said) => said is RunEvent.Add or RunEvent.Skip { Kind: IntervalKind.Work };
}
