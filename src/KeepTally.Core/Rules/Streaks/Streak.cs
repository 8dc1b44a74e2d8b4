using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Streaks;

/// <summary>The rules that end a run of successes. Source: docs/formats.md, section 1, "Streak".</summary>
/// <param name="Miss">What a failure of the unit itself does to its run.</param>
/// <param name="Others">What a success of another side does to it, in a match.</param>
public sealed record Streak(StreakMiss Miss, StreakOthers Others = StreakOthers.Zero) : StageRule
{
    private static readonly Choices<StreakMiss> Misses = new(
        "miss",
        ("zero", StreakMiss.Zero, "sets the run back to zero"),
        ("hold", StreakMiss.Hold, "leaves the run as it is")
    );

    private static readonly Choices<StreakOthers> OtherSides = new(
        "others",
        ("zero", StreakOthers.Zero, "breaks the run"),
        ("hold", StreakOthers.Hold, "leaves the run as it is")
    );

    /// <summary>How the rule stands on a card.</summary>
    public static StageRuleKind Kind { get; } =
        new(
            property: "streak",
            label: "A miss",
            template: """{"miss":"hold"}""",
            schema: Schema.Object(
                new SchemaProperty("miss", Schema.OneOf(Misses)),
                new SchemaProperty("others", Schema.OneOf(OtherSides))
            ),
            read: Read
        )
        {
            Choices = [Misses, OtherSides],
            Fields = [new RuleField("miss", "A miss", Misses), new RuleField("others", "A success of the other side", OtherSides)],
        };

    /// <summary>Told only where runs matter and no other rule tells it.</summary>
    internal override IEnumerable<string> Words(Stage stage)
    {
        var rules = stage.Rules.OfType<StageRule>().ToArray();
        if (!rules.Any(rule => rule.CountsRuns) || rules.Any(rule => rule.TellsOfRuns))
        {
            yield break;
        }

        yield return Miss == StreakMiss.Zero
            ? Phrase.Sentence($"{ResultNames.Failure(stage)} sets the run back to zero")
            : Phrase.Sentence($"{ResultNames.Failure(stage)} does not count and does not break the run");
        if (stage.Play == Play.Match)
        {
            yield return Others == StreakOthers.Zero
                ? "A success of the other side breaks the run."
                : "Each side keeps its own run, whatever the other does.";
        }
    }

    internal override string TellProgress(in TapStory tap)
    {
        var rules = tap.Stage.Rules.OfType<StageRule>().ToArray();
        if (!rules.Any(rule => rule.CountsRuns) || rules.Any(rule => rule.TellsClimb))
        {
            return "";
        }

        return tap.Attempt switch
        {
            true => $"{Phrase.Capital(StreakWords.Of(tap.Stage, tap.Now.Streak))}.",
            false when tap.Was.Streak > 0 && tap.Now.Streak == 0 => "The run is back to zero.",
            false when tap.Now.Streak > 0 =>
                $"{ResultNames.Failure(tap.Stage, tap.Tap.Outcome)} does not break the run: still {Phrase.Count(tap.Now.Streak)}.",
            _ => "",
        };
    }

    private static Streak Read(JsonPlace stage)
    {
        if (stage.Find(Kind.Property) is not { } place)
        {
            return new Streak(Misses.Usual);
        }

        place.Only(Misses.Property, OtherSides.Property);
        return new Streak(Misses.ReadFrom(place), OtherSides.ReadFrom(place));
    }
}

/// <summary>The effect of a failure on the run of successes.</summary>
public enum StreakMiss
{
    /// <summary>The run begins again from zero.</summary>
    Zero,

    /// <summary>The run stays as it is.</summary>
    Hold,
}

/// <summary>The effect of another side's success on a run, in a match.</summary>
public enum StreakOthers
{
    /// <summary>The run begins again from zero.</summary>
    Zero,

    /// <summary>The run stays as it is: the sides play apart, as two relays do.</summary>
    Hold,
}

/// <summary>Finds the rule on a stage.</summary>
public static class StreakOfStage
{
    extension(Stage stage)
    {
        /// <summary>The effect of a failure on the run of successes.</summary>
        public StreakMiss Streak => stage.Rule<Streak>()?.Miss ?? StreakMiss.Zero;

        /// <summary>Whether a success of one unit sets the run of every other back to zero.</summary>
        public bool SuccessBreaksOtherRuns =>
            stage.Play == Play.Match && (stage.Rule<Streak>()?.Others ?? StreakOthers.Zero) == StreakOthers.Zero;
    }
}
