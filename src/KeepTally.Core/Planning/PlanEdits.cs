namespace KeepTally.Core.Planning;

/// <summary>What can be done to a sheet by hand; each makes another sheet.</summary>
public static class PlanEdits
{
    /// <summary>The step by which lines are made longer or shorter, in minutes.</summary>
    public const double Step = 0.5;

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
        if (moved.Blocks.Count < 2 || moved.Blocks[0].Key == plan.Blocks[0].Key && ReferenceEquals(moved.Blocks[0], plan.Blocks[0]))
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
