namespace KeepTally.Core.Cards;

/// <summary>
/// A rule of scoring as a stage has it. A stage keeps its rules without knowing them; each rule's own folder under
/// <c>Rules/</c> knows what it says and how it is judged.
/// </summary>
public interface IStageRule;

/// <summary>An effect of an outcome besides points. Source: docs/formats.md, section 1, "Outcome".</summary>
public interface IEffect
{
    /// <summary>How the card writes it.</summary>
    string Word { get; }
}
