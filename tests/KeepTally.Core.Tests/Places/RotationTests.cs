using CsCheck;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;

namespace KeepTally.Core.Tests.Places;

public sealed class RotationTests
{
    private static readonly Gen<(Place[] Places, Move[] Moves, int Players, string Named)> AnyFloor = Gen.Select(
            Gen.Select(Gen.Bool, Gen.Int[1, 3]).Array[1, 5],
            Gen.Select(Gen.Int[0, 4], Gen.Int[0, 4], Gen.Enum<MoveWho>()).Array[0, 7],
            Gen.Int[0, 14],
            Gen.Int[1, 14]
        )
        .Select(drawn =>
            (
                drawn
                    .Item1.Select(
                        (place, index) =>
                            new Place($"{index}", place.Item1 ? PlaceKind.Spot : PlaceKind.Line, place.Item2, null, true, false)
                    )
                    .ToArray(),
                drawn
                    .Item2.Select(move => new Move(
                        $"{move.Item1 % drawn.Item1.Length}",
                        $"{move.Item2 % drawn.Item1.Length}",
                        move.Item3
                    ))
                    .ToArray(),
                drawn.Item3,
                $"p{drawn.Item4}"
            )
        );

    [Fact]
    public void Nobody_is_lost_doubled_or_squeezed_in_whatever_moves_are_written() =>
        AnyFloor.Sample(floor =>
        {
            var players = Given.Players(Enumerable.Range(1, floor.Players).Select(number => $"p{number}"));
            var standing = Placement.Fill(floor.Places, players);
            for (var turn = 0; turn < 12; turn++)
            {
                var everyone = floor.Places.SelectMany(place => standing.At(place.Id)).Concat(standing.Waiting).ToArray();
                Assert.Equal(players.Length, everyone.Length);
                Assert.Equal(players.ToHashSet(), everyone.ToHashSet());
                Assert.All(
                    floor.Places.Where(place => place.Kind == PlaceKind.Spot),
                    spot => Assert.True(standing.At(spot.Id).Count <= spot.Size)
                );
                standing = Rotation.Once(
                    standing,
                    floor.Moves,
                    new Rotation.Named(new PlayerId(floor.Named), new PlayerId("p2"), new PlayerId("p3"))
                );
            }
        });

    /// <summary>docs/formats.md, section 4: a move from a line to a line marks that line's head and no one else.</summary>
    [Theory]
    [InlineData(MoveWho.All)]
    [InlineData(MoveWho.First)]
    [InlineData(MoveWho.Winner)]
    public void From_a_line_to_a_line_only_its_head_goes(MoveWho who)
    {
        Place[] places = [new("one", PlaceKind.Line, 0, null, true, false), new("two", PlaceKind.Line, 0, null, true, false)];
        PlayerId[] players = [new("w"), new("x"), new("y"), new("z")];
        var before = Placement
            .Fill(places, players)
            .With(
                (standing, waiting) =>
                {
                    standing["one"].Clear();
                    standing["two"].Clear();
                    waiting.Clear();
                    standing["one"].AddRange(players[..3]);
                    standing["two"].Add(players[3]);
                }
            );

        var after = Rotation.Once(before, [new Move("one", "two", who)], default);
        Assert.Equal(players[1..3], after.At("one"));
        Assert.Equal([players[3], players[0]], after.At("two"));
    }

    [Fact]
    public void A_player_who_is_done_is_passed_over_at_the_head_of_the_line()
    {
        Place[] places = [Spot("shoot") with { Scores = true }, new("line", PlaceKind.Line, 0, null, true, false)];
        PlayerId[] players = [new("w"), new("x"), new("y"), new("z")];
        Move[] moves = [new("shoot", "line", MoveWho.All), new("line", "shoot", MoveWho.First)];
        var before = Placement.Fill(places, players);

        Assert.Equal([players[1]], Rotation.Next(before, moves, default).At("shoot"));
        Assert.Equal([players[2]], Rotation.Next(before, moves, default, player => player == players[1]).At("shoot"));
    }

    [Fact]
    public void A_mover_with_no_room_stays_and_keeps_the_room_from_others()
    {
        Place[] places = [Spot("a"), Spot("b"), Spot("c")];
        var standing = Placement.Fill(places, [new PlayerId("x"), new PlayerId("y"), new PlayerId("z")]);

        // c stays, so b cannot leave, so a cannot either.
        var after = Rotation.Once(standing, [new Move("a", "b", MoveWho.All), new Move("b", "c", MoveWho.All)], default);

        Assert.Equal(
            [
                [new PlayerId("x")],
                [new PlayerId("y")],
                [new PlayerId("z")],
            ],
            places.Select(place => after.At(place.Id))
        );
    }

    [Fact]
    public void Winner_stays_and_loser_goes_to_the_back()
    {
        Place[] places =
        [
            new Place("court", PlaceKind.Spot, 2, null, true, true),
            new Place("line", PlaceKind.Line, 1, null, false, false),
        ];
        Move[] moves = [new Move("court", "line", MoveWho.Loser), new Move("line", "court", MoveWho.All)];

        var after = Rotation.Once(
            Placement.Fill(places, [new PlayerId("a"), new PlayerId("b"), new PlayerId("c"), new PlayerId("d")]),
            moves,
            new Rotation.Named(new PlayerId("a"), new PlayerId("b"), null)
        );

        Assert.Equal(["a", "c"], after.At("court").Select(id => id.Value));
        Assert.Equal(["d", "b"], after.At("line").Select(id => id.Value));
    }

    [Fact]
    public void Twelve_into_two_is_six_and_six_and_fourteen_into_four_differ_by_one()
    {
        Assert.Equal([6, 6], Sizes(12, 2));
        Assert.Equal([4, 4, 3, 3], Sizes(14, 4));
    }

    [Fact]
    public void Any_split_keeps_everyone_once_in_groups_that_differ_by_one_at_most() =>
        Gen.Select(Gen.Int[0, 60], Gen.Int[1, 12])
            .Sample(
                (players, groups) =>
                {
                    var sizes = Sizes(players, groups);
                    Assert.Equal((players, groups), (sizes.Sum(), sizes.Length));
                    Assert.True(sizes.Max() - sizes.Min() <= 1);
                }
            );

    private static int[] Sizes(int players, int groups) =>
        [.. Split.Listed([.. Enumerable.Range(0, players)], groups).Select(group => group.Count)];

    private static Place Spot(string id) => new(id, PlaceKind.Spot, 1, null, true, false);
}
