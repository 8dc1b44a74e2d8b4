using CsCheck;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;

namespace KeepTally.Core.Tests.SetUp;

/// <summary>Setting out with an armful of cones.</summary>
public sealed class WalkTests
{
    private static readonly Gen<Spot> AnySpot = Gen.Select(Gen.Int[0, 80], Gen.Int[0, 40], (x, y) => new Spot(x / 2.0, y / 2.0));

    [Fact]
    public void Every_mark_is_visited_once_each_leg_from_what_stands_already() =>
        AnySpot
            .Array[0, 16]
            .Sample(spots =>
            {
                var scene = Cones([.. spots.Distinct()]);
                var walk = WalkList.Of(scene);

                Assert.Equal(spots.Distinct().OrderBy(Key), walk.Legs.Select(leg => leg.Place.At).OrderBy(Key));
                var at = walk.Start.At;
                Assert.Contains(scene.Surface.Landmarks, mark => mark.At == at);
                foreach (var leg in walk.Legs)
                {
                    Assert.Equal(at, leg.From);
                    Assert.Equal(leg.Place.At, Walked(leg));
                    at = leg.Place.At;
                }
            });

    [Fact]
    public void Up_to_ten_marks_the_order_is_the_shortest_there_is() =>
        Gen.Select(AnySpot.Array[1, 4], AnySpot.Array[1, 7])
            .Sample(
                (starts, spots) =>
                {
                    var (_, order) = ShortestRound.Of(starts, spots);
                    var shortest = Orders(spots.Length).Min(each => ShortestRound.Length(starts, spots, each));
                    Assert.Equal(shortest, ShortestRound.Length(starts, spots, order), 6);
                },
                iter: 60
            );

    [Fact]
    public void Where_there_are_many_the_order_is_no_longer_than_as_they_are_written() =>
        AnySpot
            .Array[13, 24]
            .Sample(
                spots =>
                {
                    Spot[] start = [new(0, 0)];
                    var (_, order) = ShortestRound.Of(start, spots);
                    Assert.Equal(Enumerable.Range(0, spots.Length), order.Order());
                    Assert.True(
                        ShortestRound.Length(start, spots, order)
                            <= ShortestRound.Length(start, spots, [.. Enumerable.Range(0, spots.Length)])
                    );
                },
                iter: 30
            );

    [Fact]
    public void A_walk_is_told_as_a_player_would_say_it()
    {
        var walk = WalkList.Of(Cones([new(3, 0), new(3, 1.5), new(7, 1.5)]));
        var words = new WalkWords(LengthUnit.Paces, Stride.Usual);
        Assert.Equal("Stand at the near left corner of your space and look toward the right end.", WalkWords.Start(walk));
        Assert.Equal(
            [
                "Four paces (3 m): a cone.",
                "Turn left, two paces (1.5 m): a cone.",
                "Turn right, five paces and a foot (4 m): a cone.",
            ],
            walk.Legs.Select(words.Leg)
        );
        Assert.Equal("Carry three cones. It is a walk of eleven paces, 8.5 m.", words.Sum(walk));
    }

    /// <summary>Source: plain arithmetic, with a foot of 0.3048 m; "four paces, a foot short" is how the trade says it (common practice).</summary>
    [Theory]
    [InlineData(2.7, 0.75, "four paces, a foot short")]
    [InlineData(3.0, 0.75, "four paces")]
    [InlineData(3.15, 0.75, "four paces and half a foot")]
    [InlineData(10.0, 0.8, "13 paces, a foot and a half short")]
    [InlineData(0.3, 0.75, "a foot")]
    [InlineData(0.02, 0.75, "no step")]
    public void Rounding_is_told(double metres, double stride, string words) =>
        Assert.Equal(words, DistanceWords.Paces(metres, new Stride(stride)));

    [Fact]
    public void What_is_told_in_paces_and_feet_is_never_off_by_more_than_a_hand() =>
        Gen.Select(Gen.Double[0, 60], Gen.Double[Stride.Least, Stride.Most])
            .Sample(
                (metres, stride) =>
                {
                    var count = PaceCount.Of(metres, new Stride(stride));
                    Assert.Equal(metres, (count.Paces * stride) + (count.HalfFeet * Measure.Foot / 2), 0.0763);
                }
            );

    [Fact]
    public void What_the_floor_shows_already_is_not_put_down()
    {
        var scene = LayoutReader
            .Read(
                """
                {"surface":{"court":"handball","part":"half"},"marks":[
                {"id":"goal","kind":"goal","x":0,"y":8.5,"width":3,"height":2},
                {"id":"band","kind":"zone","x":10,"y":0,"length":10,"width":20},
                {"id":"you","kind":"player","x":9,"y":10},
                {"id":"in","kind":"zone","x":0,"y":0,"length":1,"width":1,"in":"goal"}]}
                """
            )
            .Require()
            .By(Stride.Usual);
        // The far corners of the band are the ends of the halfway line; its near ones lie on side lines alone.
        Assert.Equal([new(10, 0), new(10, 20)], ToPlace.Of(scene).Select(place => place.At).OrderBy(Key));
        Assert.All(ToPlace.Of(scene), place => Assert.Equal("a corner of band", place.Name));
    }

    [Fact]
    public void Zones_side_by_side_share_their_corners()
    {
        var scene = LayoutReader
            .Read(
                """
                {"surface":{"length":20,"width":12},"marks":[
                {"id":"left","kind":"zone","x":14,"y":6,"length":3,"width":3},
                {"id":"right","kind":"zone","x":14,"y":3,"length":3,"width":3},
                {"id":"corner","kind":"cone","x":14,"y":3}]}
                """
            )
            .Require()
            .By(Stride.Usual);
        Assert.Equal(6, ToPlace.Of(scene).Count);
        Assert.Single(ToPlace.Of(scene), place => place.Thing == "cone");
        Assert.Contains(ToPlace.Of(scene), place => place.Name == "a corner of left, right");
    }

    private static (double, double) Key(Spot spot) => (spot.X, spot.Y);

    private static Scene Cones(Spot[] spots) =>
        new Diagram(
            Ground.Plain(40, 20),
            [
                .. spots.Select(
                    (spot, index) =>
                        new Mark(
                            $"c{index}",
                            MarkKind.Cone,
                            Measure.OfMetres(spot.X),
                            Measure.OfMetres(spot.Y),
                            Measure.Zero,
                            Measure.Zero,
                            ""
                        )
                ),
            ],
            [],
            []
        ).By(Stride.Usual);

    private static Spot Walked(WalkLeg leg) =>
        leg.Stretches.Aggregate(
            leg.From,
            (at, stretch) =>
                stretch.Facing switch
                {
                    Facing.RightEnd => at.Plus(stretch.Metres, 0),
                    Facing.LeftEnd => at.Plus(-stretch.Metres, 0),
                    Facing.FarSide => at.Plus(0, stretch.Metres),
                    Facing.NearSide => at.Plus(0, -stretch.Metres),
                    _ => throw new InvalidOperationException(),
                }
        );

    private static IEnumerable<int[]> Orders(int count) =>
        count == 0
            ?
            [
                [],
            ]
            : Orders(count - 1)
                .SelectMany(rest => Enumerable.Range(0, count).Select(at => (int[])[.. rest[..at], count - 1, .. rest[at..]]));
}
