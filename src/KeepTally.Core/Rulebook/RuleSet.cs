using KeepTally.Core.Json;
using KeepTally.Core.Rules;
using KeepTally.Core.Rules.Effects;

namespace KeepTally.Core.Rulebook;

/// <summary>The rules by which cards are read: every kind of rule a stage can have, and everything an outcome can do.</summary>
public sealed class RuleSet
{
    /// <param name="stage">The rules of a stage, in the order in which they are judged and told.</param>
    /// <param name="effects">What an outcome can do.</param>
    /// <exception cref="ArgumentException">A part of a rule is missing, or two rules answer to one name; the message says which.</exception>
    public RuleSet(IReadOnlyList<StageRuleKind> stage, IReadOnlyList<Effect> effects)
    {
        (Stage, Effects) = (stage, effects);
        EffectChoices = Effect.Choices(effects);
        if (RuleCheck.Missing(this).FirstOrDefault() is { } missing)
        {
            throw new ArgumentException(missing);
        }
    }

    /// <summary>The rules of a stage, in the order in which they are judged and told.</summary>
    public IReadOnlyList<StageRuleKind> Stage { get; }

    /// <summary>The effects of an outcome, in the order of the format.</summary>
    public IReadOnlyList<Effect> Effects { get; }

    internal Choices<Effect> EffectChoices { get; }
}
