using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Rules.Streaks;

namespace KeepTally.Core.Rules.Ladders;

/// <summary>Steps that each unit climbs on its own. Source: docs/formats.md, section 1, "Ladder".</summary>
/// <param name="Rungs">The steps.</param>
/// <param name="Laps">How many times round, 1 or more.</param>
/// <param name="Pass">What clears a step.</param>
/// <param name="Fail">What becomes of a unit whose window closes short.</param>
public sealed record Ladder(Rungs Rungs, int Laps, Pass Pass, WindowShort Fail) : StageRule
{
    /// <summary>How the rule stands on a card.</summary>
    public static StageRuleKind Kind { get; } =
        new(
            property: "ladder",
            label: "Gates and steps",
            template: """{"rungs":["left","middle","right"],"pass":{"successes":5,"of":7,"stop":"both"},"fail":"retry"}""",
            schema: Schema.Named("ladder"),
            read: static stage => stage.Find("ladder") is { } place ? LadderReader.Read(place) : null
        )
        {
            Definitions = LadderReader.Definitions,
            Choices = LadderReader.Choices,
            Defaults = [("laps", "1")],
            Parts = new Dictionary<string, string>
            {
                ["names"] = """{"rungs":["left","middle","right"],"pass":{"successes":5,"of":7,"stop":"both"},"fail":"retry"}""",
                ["distances"] = """{"rungs":{"start":5,"step":1,"unit":"m"},"pass":{"successes":7,"of":10},"fail":"out"}""",
                ["rung-names"] = """["left","middle","right"]""",
                ["rung-distances"] = """{"start":5,"step":1,"unit":"m"}""",
            },
        };

    internal override string Topic => "Steps";

    internal override string Ends => Rungs.Count is null ? "" : "over when the last step is cleared";

    internal override bool TellsOfRuns => Pass is Pass.InARow;

    internal override bool TellsClimb => true;

    internal override IEnumerable<string> Words(Stage stage) => LadderWords.Of(this, stage);

    internal override IEnumerable<string> Heart(Stage stage) => LadderWords.Heart(this, stage);

    internal override TapJudge Judge(Stage stage) => new LadderJudge(this, stage.Streak);

    internal override string TellProgress(in TapStory tap) => ClimbWords.Step(this, tap);
}

/// <summary>Finds the rule on a stage.</summary>
public static class LadderOfStage
{
    extension(Stage stage)
    {
        /// <summary>The steps each unit climbs, or null where there are none.</summary>
        public Ladder? Ladder => stage.Rule<Ladder>();
    }
}

/// <summary>The steps: named ones, or a distance that grows.</summary>
public abstract record Rungs
{
    private Rungs() { }

    /// <summary>How many rungs one lap has; null where it never ends.</summary>
    public abstract int? Count { get; }

    /// <summary>Steps by name, in order.</summary>
    public sealed record Named(IReadOnlyList<string> Names) : Rungs
    {
        /// <inheritdoc/>
        public override int? Count => Names.Count;
    }

    /// <summary>Distances <c>start, start + step …</c> in <paramref name="Unit"/>.</summary>
    public sealed record Distances(double Start, double Step, string Unit, int? Limit) : Rungs
    {
        /// <inheritdoc/>
        public override int? Count => Limit;

        /// <summary>The distance of a rung, from 0.</summary>
        public double At(int rung) => Start + (Step * rung);
    }
}

/// <summary>The condition that clears a rung.</summary>
public abstract record Pass
{
    private Pass() { }

    /// <summary><paramref name="Successes"/> in a window of <paramref name="Of"/> attempts.</summary>
    public sealed record Window(int Successes, int Of, WindowStop Stop) : Pass;

    /// <summary>A number of successes in all, in any number of attempts.</summary>
    public sealed record Makes(int Successes) : Pass;

    /// <summary>A number of successes in a row.</summary>
    public sealed record InARow(int Streak) : Pass;
}

/// <summary>When a window closes before its last attempt.</summary>
[Flags]
public enum WindowStop
{
    /// <summary>Never.</summary>
    None = 0,

    /// <summary>As soon as it cannot be passed any more.</summary>
    Fail = 1,

    /// <summary>As soon as it is passed.</summary>
    Pass = 2,

    /// <summary>As soon as it is decided.</summary>
    Both = Fail | Pass,
}

/// <summary>The next rung of a unit whose window closes short.</summary>
public enum WindowShort
{
    /// <summary>The same rung again.</summary>
    Retry,

    /// <summary>One rung down, not below the first.</summary>
    Back,

    /// <summary>Down to the first rung.</summary>
    First,

    /// <summary>One more out, and the same rung again.</summary>
    Out,
}
