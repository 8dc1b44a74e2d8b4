using CsCheck;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;

namespace KeepTally.Core.Tests.Places;

/// <summary>Places after a player came, went or changed places in mid-drill.</summary>
public sealed class FixingTests
{
    private static readonly Place[] ShooterAndLine = [Spot("shoot"), Line("queue")];

    private static readonly Move[] Round = [new("shoot", "queue", MoveWho.All), new("queue", "shoot", MoveWho.All)];

    [Theory]
    [InlineData("a", null, "b|cd")] // those behind move up
    [InlineData("c", null, "a|bd")]
    [InlineData("a", "x", "x|bcd")] // who comes in for a player stands where they stood
    [InlineData("c", "x", "a|bxd")]
    [InlineData("a", "d", "d|bca")] // two who stand change places
    [InlineData(null, "x", "a|bcdx")]
    [InlineData(null, "b", "a|bcd")] // who is here cannot come again
    [InlineData("nobody", "x", "a|bcdx")]
    [InlineData("nobody", null, "a|bcd")]
    public void One_rule_fixes_the_places(string? gone, string? comes, string expected) =>
        Assert.Equal(
            expected,
            Written(
                SubstitutionRule.Apply(
                    Placement.Fill(ShooterAndLine, [new PlayerId("a"), new PlayerId("b"), new PlayerId("c"), new PlayerId("d")]),
                    Round,
                    Given.Player(gone),
                    Given.Player(comes)
                )
            )
        );

    [Fact]
    public void Who_waits_takes_a_spot_that_comes_free()
    {
        var waiting = Placement.Fill([Spot("one"), Spot("two")], [new PlayerId("a"), new PlayerId("b"), new PlayerId("c")]);

        Assert.Equal("a|c", Written(SubstitutionRule.Apply(waiting, [], new PlayerId("b"), null)));
    }

    [Fact]
    public void A_place_of_a_side_takes_nobody_of_the_other()
    {
        Place[] places = [Spot("red-end") with { Side = "red" }, Spot("blue-end") with { Side = "blue" }];
        var start = Placement.Fill(places, [new PlayerId("r1"), new PlayerId("b1"), new PlayerId("b2")], Side);

        var after = SubstitutionRule.Apply(start, [], new PlayerId("r1"), null, Side);

        Assert.Equal("|b1", Written(after));
        Assert.Equal(["b2"], after.Waiting.Select(id => id.Value));

        static PlayerId? Side(PlayerId player) => new(player.Value[0] == 'r' ? "red" : "blue");
    }

    [Fact]
    public void A_player_who_comes_and_goes_nobody_is_lost_doubled_or_squeezed_in() =>
        Gen.Select(AnyPlaces, Gen.Int[0, 9], Gen.Select(Gen.Int[0, 15], Gen.Int[0, 15]).Array[1, 20])
            .Sample(
                (floor, players, changes) =>
                {
                    var here = Enumerable.Range(1, players).Select(Name).ToList();
                    var standing = Placement.Fill(floor.Places, Given.Players(here));
                    foreach (var (gone, comes) in changes.Select(each => (Maybe(each.Item1), Maybe(each.Item2))))
                    {
                        standing = SubstitutionRule.Apply(standing, floor.Moves, Given.Player(gone), Given.Player(comes));
                        Follow(here, gone, comes);
                        standing = Rotation.Once(standing, floor.Moves, default);

                        var everyone = floor.Places.SelectMany(place => standing.At(place.Id)).Concat(standing.Waiting);
                        Assert.Equal(here.Order(), everyone.Select(id => id.Value).Order());
                        Assert.All(
                            floor.Places.Where(place => place.Kind == PlaceKind.Spot),
                            spot => Assert.True(standing.At(spot.Id).Count <= spot.Size)
                        );
                    }
                }
            );

    private static readonly Gen<(Place[] Places, Move[] Moves)> AnyPlaces = Gen.Select(
        Gen.Select(Gen.Bool, Gen.Int[1, 3]).Array[1, 5],
        Gen.Select(Gen.Int[0, 4], Gen.Int[0, 4]).Array[0, 6],
        (places, moves) =>
            (
                places
                    .Select((place, index) => place.Item1 ? Spot($"{index}") with { Size = place.Item2 } : Line($"{index}"))
                    .ToArray(),
                moves
                    .Select(move => new Move($"{move.Item1 % places.Length}", $"{move.Item2 % places.Length}", MoveWho.All))
                    .ToArray()
            )
    );

    /// <summary>Who is here after a change, told without any places.</summary>
    private static void Follow(List<string> here, string? gone, string? comes)
    {
        var bothHere = gone is not null && comes is not null && here.Contains(gone) && here.Contains(comes);
        if (!bothHere && (comes is null || !here.Contains(comes)))
        {
            here.Remove(gone ?? "");
            here.AddRange(comes is null ? [] : [comes]);
        }
    }

    private static string? Maybe(int number) => number == 0 ? null : Name(number);

    private static string Name(int number) => $"p{number}";

    private static string Written(Placement standing) =>
        string.Join('|', standing.Places.Select(place => string.Concat(standing.At(place.Id))));

    private static Place Spot(string id) => new(id, PlaceKind.Spot, 1, null, true, false);

    private static Place Line(string id) => new(id, PlaceKind.Line, 1, null, false, false);
}
