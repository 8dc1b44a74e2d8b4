using KeepTally.Core.Cards;
using KeepTally.Core.Json;

namespace KeepTally.Core.Rules.Effects;

/// <summary>
/// What an outcome does besides scoring: its word on the card, its words for the coach, and what it does. The constructor asks
/// for each part, so that none is forgotten. Source: docs/formats.md, section 1, "Outcome", <c>does</c>.
/// </summary>
public sealed class Effect : IEffect
{
    private readonly Func<Stage, string> _told;
    private readonly EffectAct _act;

    /// <param name="word">How the card writes it.</param>
    /// <param name="label">What the editor calls it.</param>
    /// <param name="told">What an outcome does by it, as the end of a sentence; empty where there is nothing to tell.</param>
    /// <param name="act">What it does to a sheet.</param>
    internal Effect(string word, string label, Func<Stage, string> told, EffectAct act) =>
        (Word, Label, _told, _act) = (word, label, told, act);

    /// <inheritdoc/>
    public string Word { get; }

    /// <summary>The label in the editor.</summary>
    public string Label { get; }

    /// <summary>The effect as the end of a sentence; empty where there is nothing to say.</summary>
    internal string Told(Stage stage) => _told(stage);

    /// <summary>Does what it does.</summary>
    internal void Do(ref EffectScene scene) => _act(ref scene);

    /// <summary>How the card writes it.</summary>
    public override string ToString() => Word;

    /// <summary>The closed choice of what an outcome can do.</summary>
    internal static Choices<Effect> Choices(IReadOnlyList<Effect> effects) =>
        new("does", [.. effects.Select(effect => (effect.Word, effect, effect.Label))]);
}

/// <summary>Applies an effect to a sheet.</summary>
internal delegate void EffectAct(ref EffectScene scene);
