using KeepTally.Core.Planning;

namespace KeepTally.Core.Tests.Planning;

/// <summary>What is said of an edit to anyone who has the plan open elsewhere.</summary>
public sealed class PlanChangesTests
{
    private static readonly Plan Before = new()
    {
        Start = new TimeOnly(17, 30),
        Minutes = 60,
        Players = 12,
        Blocks = [Talk(1, "Hello", 2), Talk(2, "Rules", 3), Talk(3, "Cool down", 5)],
    };

    private static PlanBlock Talk(int? key, string text, double minutes) => new PlanBlock.Talk(text, minutes) { Key = key };

    private static string Words(params PlanBlock[] after) =>
        string.Join("; ", PlanChanges.Of(Before, Before with { Blocks = after }, CardShelf.Of([])));

    [Fact]
    public void Each_kind_of_change_is_named()
    {
        var (hello, rules, cool) = (Before.Blocks[0], Before.Blocks[1], Before.Blocks[2]);
        Assert.Equal("", Words(hello, rules, cool));
        Assert.Equal("added Stretch", Words(hello, Talk(null, "Stretch", 1), rules, cool));
        Assert.Equal("removed Rules", Words(hello, cool));
        Assert.Equal("Rules now 4.5 min (was 3)", Words(hello, Talk(2, "Rules", 4.5), cool));
        Assert.Equal("moved Cool down", Words(cool, hello, rules));
        Assert.Equal("moved Hello", Words(rules, cool, hello));
        Assert.Equal("changed the order", Words(cool, rules, hello));
        Assert.Equal("changed Cool down", Words(hello, rules, cool with { ChangeSeconds = 30 }));
        Assert.Equal(
            "changed the details of the practice",
            string.Join("; ", PlanChanges.Of(Before, Before with { Place = "Hall 2" }, CardShelf.Of([])))
        );
    }
}
