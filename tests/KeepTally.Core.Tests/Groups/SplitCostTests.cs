using KeepTally.Core.Groups;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Tests.Groups;

/// <summary>Positions that are unevenly spread over groups.</summary>
public sealed class SplitCostTests
{
    private static IReadOnlyList<SplitPlayer> Group(params string[] positions) =>
        [.. positions.Select((position, index) => new SplitPlayer(new PlayerId($"{position}{index}"), [position], null))];

    [Fact]
    public void One_more_is_even_and_two_more_are_not()
    {
        Assert.Empty(SplitCost.Uneven([Group("wing", "back"), Group("wing", "wing")]));
        Assert.Equal([("wing", 3, 1)], SplitCost.Uneven([Group("wing", "wing", "wing"), Group("wing", "back", "pivot")]));
        Assert.Equal([("wing", 2, 0)], SplitCost.Uneven([Group("wing", "wing"), Group("back"), Group("wing")]));
    }
}
