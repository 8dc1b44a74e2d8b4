using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;

namespace KeepTally.Core.Tests.SetUp;

/// <summary>Steps of a ladder found on the drawn floor, docs/formats.md, section 6.</summary>
public sealed class StandingSpotTests
{
    private static readonly Scene Scene = LayoutReader
        .Read(
            """
            {"floor": {"length": 20, "width": 10}, "marks": [
              {"id": "left-edge", "kind": "disc", "x": 1, "y": 2, "label": "1"},
              {"id": "ten", "kind": "cone", "x": 10, "y": 5, "label": "10 m"}
            ]}
            """
        )
        .Value!.By(Stride.Usual);

    [Theory]
    [InlineData("left edge", 1, 2)]
    [InlineData("10 m", 10, 5)]
    [InlineData("1", 1, 2)]
    public void A_step_is_at_the_mark_of_its_name_or_label(string step, double x, double y) =>
        Assert.Equal(new Spot(x, y), StandingSpot.Of(Scene, [], step));

    [Theory]
    [InlineData("right edge")]
    [InlineData("")]
    public void A_step_that_is_not_drawn_is_nowhere(string step) => Assert.Null(StandingSpot.Of(Scene, [], step));
}
