using KeepTally.Core.Planning;

namespace KeepTally.Core.Tests.Planning;

/// <summary>What a coach presses on a line.</summary>
public sealed class LineActTests
{
    private static readonly Plan Sheet = new()
    {
        Start = new TimeOnly(17, 30),
        Minutes = 60,
        Players = 12,
        Blocks =
        [
            new PlanBlock.Drill("warm-hands", 3, 4) { Key = 1 },
            new PlanBlock.Drill("three-gates", 6, 4) { Key = 2, ChangeSeconds = 60 },
            new PlanBlock.Circuit(["corner-calls", "minute-trios"], 3, 2)
            {
                Key = 3,
                ChangeSeconds = 90,
                BetweenSeconds = 30,
            },
        ],
    };

    private static Plan Press(int index, LineAct act, int firstOpen = 0) =>
        Sheet.Apply(index, act, AnyPlan.Shelf, firstOpen).Require();

    [Fact]
    public void Minutes_change_by_the_half_and_never_below_it()
    {
        Assert.Equal(390, Press(1, LineAct.Longer).Blocks[1].Seconds);
        Assert.Equal(330, Press(1, LineAct.Shorter).Blocks[1].Seconds);
        // At a circuit, at each of its two stations.
        Assert.Equal(Sheet.Blocks[2].Seconds + 60, Press(2, LineAct.Longer).Blocks[2].Seconds);
        var short_ = Sheet.With(0, Sheet.Blocks[0].WithMinutes(0.5));
        Assert.Equal(30, short_.Apply(0, LineAct.Shorter, AnyPlan.Shelf).Require().Blocks[0].Seconds);
    }

    [Fact]
    public void There_is_one_group_at_least_and_no_more_than_players()
    {
        Assert.Equal(5, PlanEdits.GroupsOf(Press(1, LineAct.MoreGroups).Blocks[1]));
        var alone = Sheet.With(1, Sheet.Blocks[1].WithGroups(1));
        Assert.Contains(
            "0 groups cannot be made",
            alone.Apply(1, LineAct.FewerGroups, AnyPlan.Shelf).Faults[0].Problem,
            StringComparison.Ordinal
        );
        var many = Sheet.With(1, Sheet.Blocks[1].WithGroups(12));
        Assert.Equal("blocks[1].groups", many.Apply(1, LineAct.MoreGroups, AnyPlan.Shelf).Faults[0].Path);
    }

    [Fact]
    public void A_line_moves_no_further_than_what_has_begun_or_the_end()
    {
        Assert.Equal([2, 1, 3], Press(1, LineAct.Earlier).Blocks.Select(block => block.Key!.Value));
        Assert.Equal([1, 2, 3], Press(1, LineAct.Earlier, firstOpen: 1).Blocks.Select(block => block.Key!.Value));
        Assert.Equal([1, 2, 3], Press(2, LineAct.Later).Blocks.Select(block => block.Key!.Value));
    }

    [Fact]
    public void What_is_removed_is_gone_and_what_goes_into_the_reserve_is_kept_once()
    {
        Assert.Equal(2, Press(0, LineAct.Off).Blocks.Count);
        Assert.Empty(Press(0, LineAct.Off).Reserve);
        var kept = Sheet with { Reserve = ["corner-calls"] };
        Assert.Equal(["corner-calls", "minute-trios"], kept.Apply(2, LineAct.IntoReserve, AnyPlan.Shelf).Require().Reserve);
    }

    [Fact]
    public void The_groups_that_suit_are_taken_or_it_is_said_that_none_do()
    {
        // Three gates are for four at the most.
        var one = Sheet.With(1, Sheet.Blocks[1].WithGroups(1));
        Assert.Equal(3, PlanEdits.GroupsOf(one.Apply(1, LineAct.SuggestedGroups, AnyPlan.Shelf).Require().Blocks[1]));
        var poor = one with { Equipment = new Dictionary<string, int> { ["ball"] = 1 } };
        Assert.Equal("no number of groups suits it", poor.Apply(1, LineAct.SuggestedGroups, AnyPlan.Shelf).Faults[0].Problem);
    }

    [Fact]
    public void A_drill_is_put_in_for_as_long_and_in_as_many_groups_as_suit_it()
    {
        var card = AnyPlan.Shelf.Find("three-gates")!;
        var line = Sheet.NewDrill(card);
        Assert.Equal((6.0, 3, 60.0), (line.Minutes, line.Groups, line.ChangeSeconds));
        // The first line is walked to before practice begins, and the cap holds.
        line = (Sheet with { Blocks = [], Age = 8 }).NewDrill(card);
        Assert.Equal((5.0, 0.0), (line.Minutes, line.ChangeSeconds));
    }
}
