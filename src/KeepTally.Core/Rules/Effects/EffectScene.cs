using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Rules.Effects;

/// <summary>The input of an effect: the sheet as it stands, and the unit tapped.</summary>
/// <param name="Stage">The stage of the card.</param>
/// <param name="State">The score so far.</param>
/// <param name="Unit">The unit that was tapped.</param>
/// <param name="Running">Running time at the tap.</param>
internal record struct EffectScene(Stage Stage, ScoreState State, UnitTally Unit, RunningTime Running)
{
    /// <summary>Set where the turn passes after the tap.</summary>
    internal bool PassesTurn { get; set; }

    /// <summary>The index of the best-ranked other unit, or -1.</summary>
    internal readonly int BestOther => RankRule.BestOther(Stage, State, Unit, Running);

    /// <summary>Does all effects of an outcome in their order; true where the turn passes.</summary>
    internal bool Do(Effect[] effects)
    {
        foreach (var effect in effects)
        {
            effect.Do(ref this);
        }

        return PassesTurn;
    }
}
