using KeepTally.Core.Cards;

namespace KeepTally.Core.Rules;

/// <summary>
/// A rule of scoring as a stage has it: the value on its card, what it means in words, and who judges it. A rule is known to
/// the rest of the house by this and by its <see cref="StageRuleKind"/> alone.
/// </summary>
public abstract record StageRule : IStageRule
{
    /// <summary>The heading under which its words stand.</summary>
    internal virtual string Topic => "Scoring";

    /// <summary>Sentences that say what the rule means; none where it has nothing to say for this stage.</summary>
    internal abstract IEnumerable<string> Words(Stage stage);

    /// <summary>Its sentences where they are what the stage is about, in short; none where they are not.</summary>
    internal virtual IEnumerable<string> Heart(Stage stage) => [];

    /// <summary>How the rule itself ends the sheet, in words; empty where it does not.</summary>
    internal virtual string Ends => "";

    /// <summary>Whether runs of successes matter to it, so that it must be told what a miss does to them.</summary>
    internal virtual bool CountsRuns => false;

    /// <summary>Whether it tells itself what a miss does to a run.</summary>
    internal virtual bool TellsOfRuns => false;

    /// <summary>Whether it tells after each tap how far its unit has come, so that runs need not be told.</summary>
    internal virtual bool TellsClimb => false;

    /// <summary>Returns the judge of one sheet, or null where the rule ignores taps.</summary>
    internal virtual TapJudge? Judge(Stage stage) => null;

    /// <summary>Where the ball of a tap went, in words, told before the points; empty where that is nothing to the rule.</summary>
    internal virtual string TellBall(in TapStory tap) => "";

    /// <summary>Returns the effect of a tap by this rule in words, said after the points; empty where there was none.</summary>
    internal virtual string TellProgress(in TapStory tap) => "";
}
