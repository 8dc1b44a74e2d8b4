using KeepTally.Core.Faults;

namespace KeepTally.Core.Planning;

/// <summary>An edit of a line with one press.</summary>
public enum LineAct
{
    /// <summary>Half a minute less.</summary>
    Shorter,

    /// <summary>Half a minute more.</summary>
    Longer,

    /// <summary>One group less.</summary>
    FewerGroups,

    /// <summary>One group more.</summary>
    MoreGroups,

    /// <summary>One place earlier.</summary>
    Earlier,

    /// <summary>One place later.</summary>
    Later,

    /// <summary>Off the sheet.</summary>
    Off,

    /// <summary>Off the sheet, and into the reserve.</summary>
    IntoReserve,

    /// <summary>As many groups as suit it best.</summary>
    SuggestedGroups,
}

/// <summary>Does what a coach presses.</summary>
public static class LineActs
{
    /// <summary>The sheet then, or why it cannot be.</summary>
    /// <param name="plan">The plan that is changed.</param>
    /// <param name="index">The position of the line, from 0.</param>
    /// <param name="act">The change.</param>
    /// <param name="shelf">The cards that the plan names.</param>
    /// <param name="firstOpen">The first line that can still be moved.</param>
    public static Result<Plan> Apply(this Plan plan, int index, LineAct act, CardShelf shelf, int firstOpen = 0)
    {
        var block = plan.Blocks[index];
        return act switch
        {
            LineAct.Shorter => Result.Ok(plan.With(index, block.WithMinutes(PlanEdits.MinutesOf(block) - PlanEdits.Step))),
            LineAct.Longer => Result.Ok(plan.With(index, block.WithMinutes(PlanEdits.MinutesOf(block) + PlanEdits.Step))),
            LineAct.FewerGroups => Regrouped(plan, index, PlanEdits.GroupsOf(block) - 1),
            LineAct.MoreGroups => Regrouped(plan, index, PlanEdits.GroupsOf(block) + 1),
            LineAct.Earlier => Result.Ok(plan.Moved(index, Math.Max(firstOpen, index - 1))),
            LineAct.Later => Result.Ok(plan.Moved(index, Math.Min(plan.Blocks.Count - 1, index + 1))),
            LineAct.Off => Result.Ok(plan.Without(index)),
            LineAct.IntoReserve => Result.Ok(
                plan.Without(index) with
                {
                    Reserve = [.. plan.Reserve.Concat(block.Cards).Distinct()],
                }
            ),
            LineAct.SuggestedGroups when block is PlanBlock.Drill drill && shelf.Find(drill) is { } card => SuggestedCount.For(
                plan,
                card,
                CardShelf.StageOf(drill, card)
            )
                is { } groups
                ? Regrouped(plan, index, groups)
                : Result.Fail<Plan>(
                    new Fault(
                        $"blocks[{index}].groups",
                        "no number of groups suits it",
                        "take another drill, or more to practise with"
                    )
                ),
            LineAct.SuggestedGroups => Result.Ok(plan),
            _ => throw new InvalidOperationException("A press no sheet knows."),
        };
    }

    private static Result<Plan> Regrouped(Plan plan, int index, int groups)
    {
        var most = Math.Clamp(plan.Players, 1, PlanReader.MostGroups);
        return groups < 1 || groups > most
            ? Result.Fail<Plan>(new Fault($"blocks[{index}].groups", $"{groups} groups cannot be made", $"from 1 to {most} can"))
            : Result.Ok(plan.With(index, plan.Blocks[index].WithGroups(groups)));
    }
}
