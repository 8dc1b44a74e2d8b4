using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Endings;

namespace KeepTally.Core.Simulation;

/// <summary>A card without a stage's limit of time, to tell how long it would take if it were let run.</summary>
public static class Untimed
{
    /// <summary>The card with a stage that only its other rules end. Where turns have a limit each, that is no limit of the whole, and stays.</summary>
    public static DrillCard Of(DrillCard card, int stage)
    {
        var timed = card.Stages[stage];
        if (timed.Play == Play.Turns)
        {
            return card;
        }

        var untimed = timed with
        {
            Clock = null,
            Rules =
            [
                .. timed.Rules.Select(rule =>
                    rule is Until until ? new Until([.. until.Endings.Where(ending => ending is not TimeEnding)]) : rule
                ),
            ],
        };
        return card with { Stages = [.. card.Stages.Select((each, index) => index == stage ? untimed : each)] };
    }
}
