using CsCheck;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;

namespace KeepTally.Core.Tests.Places;

/// <summary>Rings that go clockwise for a while, then back.</summary>
public sealed class TurnRoundTests
{
    private static readonly RotateOn AfterTwo = new(RotateTrigger.Round, 1, 2);

    [Fact]
    public void After_two_rounds_the_corners_go_back_the_way_they_came()
    {
        var (places, moves) = Ring(4);
        var standing = Placement.Fill(places, [new PlayerId("a"), new PlayerId("b"), new PlayerId("c"), new PlayerId("d")]);
        var corners = new List<string>();
        for (var rotations = 0; rotations < 8; rotations++)
        {
            corners.Add(standing.Of(new PlayerId("a"))!.Id);
            standing = Rotation.Once(standing, Rotation.Way(moves, AfterTwo, rotations), default);
        }

        Assert.Equal(["0", "1", "2", "1", "0", "1", "2", "1"], corners);
    }

    [Fact]
    public void So_many_forth_and_so_many_back_is_where_it_began() =>
        Gen.Select(Gen.Int[2, 8], Gen.Int[1, 6])
            .Sample(
                (corners, after) =>
                {
                    var (places, moves) = Ring(corners);
                    var standing = Placement.Fill(places, Given.Players(places.Select(place => $"p{place.Id}")));
                    for (var rotations = 0; rotations < 2 * after; rotations++)
                    {
                        standing = Rotation.Once(
                            standing,
                            Rotation.Way(moves, AfterTwo with { TurnRound = after }, rotations),
                            default
                        );
                    }

                    Assert.All(places, place => Assert.Equal([$"p{place.Id}"], standing.At(place.Id).Select(id => id.Value)));
                }
            );

    [Fact]
    public void Turned_round_too_early_nobody_comes_to_the_far_corner()
    {
        var (places, moves) = Ring(4);

        var fair = Fairness.Of(
            Placement.Fill(places, [new PlayerId("a"), new PlayerId("b"), new PlayerId("c"), new PlayerId("d")]),
            moves,
            AfterTwo
        );

        Assert.Equal(4, fair.Rotations);
        Assert.Equal((0, 2, 1, 3), fair.At("3"));
    }

    private static (Place[] Places, Move[] Moves) Ring(int corners) =>
        (
            [.. Enumerable.Range(0, corners).Select(corner => new Place($"{corner}", PlaceKind.Spot, 1, null, true, false))],
            [.. Enumerable.Range(0, corners).Select(corner => new Move($"{corner}", $"{(corner + 1) % corners}", MoveWho.All))]
        );
}
