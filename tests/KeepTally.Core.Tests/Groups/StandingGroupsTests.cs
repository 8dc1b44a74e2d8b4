using CsCheck;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Groups;

/// <summary>Groups that were settled, as people come, go and are moved by hand.</summary>
public sealed class StandingGroupsTests
{
    private static readonly PlayerId[][] Trios =
    [
        Given.Players(["a", "b", "c"]),
        Given.Players(["d", "e", "f"]),
        Given.Players(["g", "h"]),
    ];

    private static string Written(IEnumerable<IReadOnlyList<PlayerId>> groups) =>
        string.Join(" ", groups.Select(group => string.Concat(group)));

    [Theory]
    [InlineData("abcdefgh", "abc def gh")]
    [InlineData("acdefghx", "acx def gh")] // anyone who is new joins the smallest, the first of equals
    [InlineData("acdefgh", "ac def gh")]
    [InlineData("abcdef", "abc def")] // a group of which nobody is here is none
    public void Groups_keep_to_who_is_here(string here, string expected) =>
        Assert.Equal(expected, Written(StandingGroups.Mended(Trios, Given.Players(here.Select(each => each.ToString())))));

    [Theory]
    [InlineData("a", 2, "bc def gha")]
    [InlineData("a", 0, "abc def gh")]
    [InlineData("a", 3, "abc def gh")]
    [InlineData("nobody", 1, "abc def gh")]
    public void A_player_moves_to_another_group(string player, int to, string expected) =>
        Assert.Equal(expected, Written(StandingGroups.Moved(Trios, new PlayerId(player), to)));

    [Fact]
    public void The_last_of_a_group_stays() =>
        Assert.Equal(
            "a bc",
            Written(
                StandingGroups.Moved(
                    [
                        [new PlayerId("a")],
                        [new PlayerId("b"), new PlayerId("c")],
                    ],
                    new PlayerId("a"),
                    1
                )
            )
        );

    [Theory]
    [InlineData("a", "h", "hbc def ga")]
    [InlineData("a", "nobody", "abc def gh")]
    public void Two_change_places(string one, string other, string expected) =>
        Assert.Equal(expected, Written(StandingGroups.Exchanged(Trios, new PlayerId(one), new PlayerId(other))));

    [Theory]
    [InlineData(3, "abc def gh")]
    [InlineData(2, "abcgh def")] // merged in turn: the first takes the third
    [InlineData(1, "abcdefgh")]
    [InlineData(4, "ae bf cg dh")]
    public void Settled_groups_serve_another_number(int count, string expected) =>
        Assert.Equal(expected, Written(StandingGroups.Into(Trios, count)));

    [Fact]
    public void Whatever_is_done_by_hand_nobody_is_lost_or_doubled() =>
        Gen.Select(Gen.Int[2, 12], Gen.Int[1, 4], Gen.Select(Gen.Int[0, 13], Gen.Int[0, 13], Gen.Bool).Array[0, 20])
            .Sample(
                (players, count, drawn) =>
                {
                    var here = Given.Players(Enumerable.Range(0, players).Select(n => $"p{n}"));
                    var groups = Split.Listed(here, Math.Min(count, players));
                    foreach (var (one, other, moves) in drawn)
                    {
                        groups = moves
                            ? StandingGroups.Moved(groups, new PlayerId($"p{one}"), other % 4)
                            : StandingGroups.Exchanged(groups, new PlayerId($"p{one}"), new PlayerId($"p{other}"));
                        Assert.Equal(here.ToHashSet(), groups.SelectMany(group => group).ToHashSet());
                        Assert.Equal(here.Length, groups.Sum(group => group.Count));
                        Assert.DoesNotContain(groups, group => group.Count == 0);
                    }
                }
            );

    [Fact]
    public void How_even_groups_are_is_said_in_words()
    {
        SplitPlayer[][] groups =
        [
            [Of("a", "keeper", 9), Of("b", "keeper", 9), Of("c", "wing", 9)],
            [Of("d", "wing", 4)],
        ];
        var met = new Dictionary<Pair, int> { [new Pair(new PlayerId("a"), new PlayerId("b"))] = 1 };

        Assert.Equal(
            "3 in the largest group, 1 in the smallest; two keepers in one group and none in another; 5 between the strongest group and the weakest; recent partners together once.",
            EvenWords.Of([3, 1], Split.Judge(groups, met))
        );

        static SplitPlayer Of(string id, string position, double level) => new(new PlayerId(id), [position], level);
    }
}
