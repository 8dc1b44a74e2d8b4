using CsCheck;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Tests.Groups;

/// <summary>Splits, by the rules of docs/formats.md, section 4, and for any squad.</summary>
public sealed class SplitTests
{
    private static readonly Gen<SplitPlayer[]> AnySquad = Gen.Select(
            Gen.OneOf("wing", "back", "pivot", "keeper"),
            Gen.Double[0, 100]
        )
        .Array[1, 24]
        .Select(drawn =>
            drawn.Select((each, index) => new SplitPlayer(new PlayerId($"p{index}"), [each.Item1], each.Item2)).ToArray()
        );

    private static readonly Gen<SplitWay> AnyWay = Gen.OneOf(Enum.GetValues<SplitWay>());

    [Fact]
    public void Everyone_is_in_one_group_and_sizes_differ_by_one_at_most() =>
        Gen.Select(AnySquad, AnyWay, Gen.Int[1, 8], Gen.Int[0, 1000])
            .Sample(
                (squad, way, wanted, seed) =>
                {
                    var groups = Make(squad, SplitRequest.Of(way, Math.Min(wanted, squad.Length), seed));

                    Assert.Equal(
                        squad.Select(player => player.Id.Value).Order(),
                        groups.SelectMany(group => group).Select(player => player.Id.Value).Order()
                    );
                    Assert.InRange(groups.Max(group => group.Count) - groups.Min(group => group.Count), 0, 1);
                }
            );

    [Fact]
    public void The_same_seed_makes_the_same_groups() =>
        Gen.Select(AnySquad, AnyWay, Gen.Int[0, 1000])
            .Sample(
                (squad, way, seed) =>
                {
                    var request = SplitRequest.Of(way, Math.Min(3, squad.Length), seed);
                    Assert.Equal(Names(Make(squad, request)), Names(Make(squad, request)));
                }
            );

    [Fact]
    public void Kept_pairs_always_hold_or_it_is_said_that_it_cannot_be_done() =>
        Gen.Select(
                AnySquad.Where(squad => squad.Length >= 4),
                AnyWay,
                Gen.Int[2, 4],
                Gen.Select(Gen.Int[0, 23], Gen.Int[0, 23], Gen.Bool).Array[1, 6]
            )
            .Sample(
                (squad, way, wanted, drawn) =>
                {
                    var pairs = drawn
                        .Where(each => each.Item1 % squad.Length != each.Item2 % squad.Length)
                        .Select(each =>
                            (
                                Pair: new Pair(
                                    new PlayerId($"p{each.Item1 % squad.Length}"),
                                    new PlayerId($"p{each.Item2 % squad.Length}")
                                ),
                                each.Item3
                            )
                        )
                        .ToArray();
                    var request = SplitRequest.Of(way, Math.Min(wanted, squad.Length)) with
                    {
                        Apart = pairs.Where(each => each.Item2).Select(each => each.Pair).ToHashSet(),
                        Together = pairs.Where(each => !each.Item2).Select(each => each.Pair).ToHashSet(),
                    };
                    var made = Split.Make(squad, request);
                    Assert.Equal(made.IsOk, squad.Length > 9 ? made.IsOk : Possible(squad, request));
                    if (made.IsOk)
                    {
                        var where = made
                            .Value.SelectMany((group, index) => group.Select(player => (player.Id, index)))
                            .ToDictionary();
                        Assert.All(request.Together, pair => Assert.Equal(where[pair.One], where[pair.Other]));
                        Assert.All(request.Apart, pair => Assert.NotEqual(where[pair.One], where[pair.Other]));
                    }
                },
                iter: 400
            );

    [Fact]
    public void Fresh_is_never_worse_than_the_best_of_two_hundred_shuffles() =>
        Gen.Select(AnySquad, Gen.Int[0, 500], Gen.Int[1, 4])
            .Sample(
                (squad, seed, wanted) =>
                {
                    var groups = Math.Min(wanted, squad.Length);
                    var met = new Dictionary<Pair, int>();
                    foreach (
                        var past in Enumerable
                            .Range(0, 3)
                            .Select(each => Make(squad, SplitRequest.Of(SplitWay.Shuffle, groups, seed + each)))
                    )
                    {
                        foreach (
                            var pair in past.SelectMany(group =>
                                group.SelectMany((one, i) => group.Skip(i + 1).Select(other => new Pair(one.Id, other.Id)))
                            )
                        )
                        {
                            met[pair] = met.GetValueOrDefault(pair) + 1;
                        }
                    }

                    var fresh = Split.Judge(Make(squad, SplitRequest.Of(SplitWay.Fresh, groups, seed) with { Met = met }), met).Met;
                    var best = Enumerable
                        .Range(seed, 200)
                        .Min(each => Split.Judge(Make(squad, SplitRequest.Of(SplitWay.Shuffle, groups, each)), met).Met);
                    Assert.True(fresh <= best, $"{fresh} pairs again, a shuffle had {best}");
                },
                iter: 40
            );

    [Fact]
    public void Level_goes_in_a_snake()
    {
        var squad = Enumerable.Range(1, 7).Select(n => new SplitPlayer(new PlayerId($"{n}"), [], 100 - n)).ToArray();

        Assert.Equal(["1 6 7", "2 5", "3 4"], Names(Make(squad, SplitRequest.Of(SplitWay.Level, 3))));
    }

    [Fact]
    public void Spread_deals_positions_as_evenly_as_can_be()
    {
        var squad = Enumerable
            .Range(0, 12)
            .Select(n => new SplitPlayer(
                new PlayerId($"{n}"),
                [
                    n < 4 ? "wing"
                    : n < 8 ? "back"
                    : "keeper",
                ],
                n
            ))
            .ToArray();

        Assert.Equal(0, Split.Judge(Make(squad, SplitRequest.Of(SplitWay.Spread, 4)), new Dictionary<Pair, int>()).PositionGap);
    }

    [Fact]
    public void Twelve_players_make_six_and_six()
    {
        // Source: the rule of thumb of design.md.
        var squad = Enumerable.Range(0, 12).Select(n => new SplitPlayer(new PlayerId($"{n}"), [], null)).ToArray();

        Assert.Equal([6, 6], Make(squad, SplitRequest.Of(SplitWay.Shuffle, 2)).Select(group => group.Count));
    }

    [Theory]
    [InlineData("a b", "a b", "kept together and apart at once")]
    [InlineData("", "a b,b c,c d", "no group is that large")]
    [InlineData("a b,a c,b c", "", "leave no way")]
    public void What_cannot_be_done_is_said(string apart, string together, string said)
    {
        var squad = "abcd".Select(name => new SplitPlayer(new PlayerId($"{name}"), [], null)).ToArray();
        var made = Split.Make(squad, SplitRequest.Of(SplitWay.Listed, 2) with { Apart = Pairs(apart), Together = Pairs(together) });

        Assert.Contains(said, made.Faults.Single().Problem, StringComparison.Ordinal);
    }

    private static HashSet<Pair> Pairs(string written) =>
        [
            .. written
                .Split(',', StringSplitOptions.RemoveEmptyEntries)
                .Select(pair => new Pair(new PlayerId(pair.Split(' ')[0]), new PlayerId(pair.Split(' ')[1]))),
        ];

    /// <summary>Whether any even split at all keeps the pairs: tried one by one, for a small squad.</summary>
    private static bool Possible(SplitPlayer[] squad, SplitRequest request)
    {
        var where = new int[squad.Length];
        return Try(0);

        bool Try(int next)
        {
            if (next == squad.Length)
            {
                var sizes = Enumerable.Range(0, request.Groups).Select(group => where.Count(each => each == group)).ToArray();
                var at = squad.Select((player, index) => (player.Id, where[index])).ToDictionary();
                return sizes.Max() - sizes.Min() <= 1
                    && request.Together.All(pair => at[pair.One] == at[pair.Other])
                    && request.Apart.All(pair => at[pair.One] != at[pair.Other]);
            }

            for (where[next] = 0; where[next] < request.Groups; where[next]++)
            {
                if (Try(next + 1))
                {
                    return true;
                }
            }

            return false;
        }
    }

    private static IReadOnlyList<IReadOnlyList<SplitPlayer>> Make(SplitPlayer[] squad, SplitRequest request) =>
        Split.Make(squad, request).Require();

    private static IEnumerable<string> Names(IEnumerable<IReadOnlyList<SplitPlayer>> groups) =>
        groups.Select(group => string.Join(' ', group.Select(player => player.Id)));
}
