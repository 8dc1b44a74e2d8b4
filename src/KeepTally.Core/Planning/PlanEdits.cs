using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>The edits of a timing sheet; each returns another sheet.</summary>
public static class PlanEdits
{
    /// <summary>The step by which lines are made longer or shorter, in minutes.</summary>
    public const double Step = 0.5;

    /// <summary>Seconds between one line and the next, where nothing else is said.</summary>
    public const double WalkSeconds = 60;

    /// <summary>
    /// A drill as it is put on a sheet: for as long as its card says, in as many groups as suit it, with a walk before it. The first
    /// line is walked to before practice begins.
    /// </summary>
    public static PlanBlock.Drill NewDrill(this Plan plan, DrillCard card) =>
        new(card.Id, CardSense.Of(card, plan).Usual, SuggestedCount.OrUsual(plan, card)) { ChangeSeconds = plan.WalkTo() };

    /// <summary>Seconds before a line that is put on a sheet: none before the first.</summary>
    public static double WalkTo(this Plan plan) => plan.Blocks.Count == 0 ? 0 : WalkSeconds;

    /// <summary>The same sheet with a line changed.</summary>
    public static Plan With(this Plan plan, int index, PlanBlock block) =>
        plan with
        {
            Blocks = [.. plan.Blocks.Take(index), block, .. plan.Blocks.Skip(index + 1)],
        };

    /// <summary>The same sheet with a line put in before another, or at the end.</summary>
    public static Plan Inserted(this Plan plan, int before, PlanBlock block) =>
        plan with
        {
            Blocks = [.. plan.Blocks.Take(before), block, .. plan.Blocks.Skip(before)],
        };

    /// <summary>The same sheet with lines after its own: what was first among them is walked to.</summary>
    public static Plan Followed(this Plan plan, IReadOnlyList<PlanBlock> lines) =>
        plan with
        {
            Blocks =
            [
                .. plan.Blocks,
                .. lines.Select(
                    (line, index) => index == 0 && line.ChangeSeconds == 0 ? line with { ChangeSeconds = plan.WalkTo() } : line
                ),
            ],
        };

    /// <summary>The same sheet without a line.</summary>
    public static Plan Without(this Plan plan, int index) =>
        plan with
        {
            Blocks = [.. plan.Blocks.Take(index), .. plan.Blocks.Skip(index + 1)],
        };

    /// <summary>
    /// The same sheet with a line moved to another place. What comes before a line is the walk to it: the first line has none,
    /// and what was first gets the walk of what took its place.
    /// </summary>
    public static Plan Moved(this Plan plan, int from, int to)
    {
        var left = plan.Without(from);
        var moved = left.Inserted(Math.Clamp(to, 0, left.Blocks.Count), plan.Blocks[from]);
        if (ReferenceEquals(moved.Blocks[0], plan.Blocks[0]))
        {
            return moved;
        }

        var walk = moved.Blocks[0].ChangeSeconds;
        var second = moved.Blocks.Index().First(each => ReferenceEquals(each.Item, plan.Blocks[0])).Index;
        return moved
            .With(second, moved.Blocks[second] with { ChangeSeconds = walk })
            .With(0, moved.Blocks[0] with { ChangeSeconds = plan.Blocks[0].ChangeSeconds });
    }

    /// <summary>The minutes a coach sets of a line: at a circuit those at each station.</summary>
    public static double MinutesOf(PlanBlock block) =>
        block switch
        {
            PlanBlock.Drill drill => drill.Minutes,
            PlanBlock.Circuit circuit => circuit.MinutesEach,
            PlanBlock.Break rest => rest.Minutes,
            PlanBlock.Talk talk => talk.Minutes,
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };

    /// <summary>The same line with other minutes, to the half minute, half a minute at least.</summary>
    public static PlanBlock WithMinutes(this PlanBlock block, double minutes)
    {
        var whole = Math.Clamp(Math.Round(minutes / Step, MidpointRounding.AwayFromZero) * Step, Step, PlanReader.MostMinutes);
        return block switch
        {
            PlanBlock.Drill drill => drill with { Minutes = whole },
            PlanBlock.Circuit circuit => circuit with { MinutesEach = whole },
            PlanBlock.Break rest => rest with { Minutes = whole },
            PlanBlock.Talk talk => talk with { Minutes = whole },
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };
    }

    /// <summary>The same line in another number of groups; a break and a talk are for everybody.</summary>
    public static PlanBlock WithGroups(this PlanBlock block, int groups) =>
        block switch
        {
            PlanBlock.Drill drill => drill with { Groups = groups },
            PlanBlock.Circuit circuit => circuit with { Groups = groups },
            PlanBlock.Break or PlanBlock.Talk => block,
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };

    /// <summary>The number of groups of a line; one where it is for everybody.</summary>
    public static int GroupsOf(PlanBlock block) =>
        block switch
        {
            PlanBlock.Drill drill => drill.Groups,
            PlanBlock.Circuit circuit => circuit.GroupCount,
            PlanBlock.Break or PlanBlock.Talk => 1,
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };
}
