using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Effects;

/// <summary>What an outcome does besides scoring, in the order its card lists it.</summary>
internal static class EffectRule
{
    /// <summary>Does all effects of an outcome; true where the turn passes.</summary>
    internal static bool Do(OutcomeRule outcome, UnitTally unit, ScoreState state, Stage stage, long running)
    {
        var passes = false;
        foreach (var effect in outcome.Does)
        {
            switch (effect)
            {
                case Effect.Reset:
                    unit.Points = 0;
                    break;
                case Effect.Win:
                    state.Win(unit.Index, running);
                    break;
                case Effect.Lose:
                    state.Win(RankRule.BestOther(stage, state, unit, running), running);
                    break;
                case Effect.TurnOver:
                    state.TurnOver();
                    break;
                case Effect.Next:
                    passes = true;
                    break;
                case Effect.Leave:
                    state.Leave(unit, running);
                    break;
                case Effect.Out:
                    unit.Outs++;
                    break;
                case Effect.None:
                    break;
            }
        }

        return passes;
    }
}
