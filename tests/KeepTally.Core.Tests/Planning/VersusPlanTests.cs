using KeepTally.Core.Planning;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Planning;

/// <summary>The sheet calculates with as many on a side as there will be.</summary>
public sealed class VersusPlanTests
{
    private static readonly CardShelf Shelf = CardShelf.Of(ShippedCard.Ids.Select(id => ShippedCard.Read(id)));

    private static BlockReport Line(int players, int courts, string card = "three-a-side", int? stage = null)
    {
        var plan = new Plan
        {
            Start = new TimeOnly(17, 0),
            Minutes = 60,
            Players = players,
            Blocks = [new PlanBlock.Drill(card, 6, courts) { Stage = stage }],
            Reserve = [],
        };
        return PlanReport.Of(plan, Shelf).Blocks[0];
    }

    /// <summary>By hand: of eight, eight are at work four a side; of seven, six; of five, four.</summary>
    [Theory]
    [InlineData(8, 1, 1.0)]
    [InlineData(7, 1, 0.86)]
    [InlineData(5, 1, 0.8)]
    [InlineData(16, 2, 1.0)]
    [InlineData(15, 2, 0.75)]
    public void Who_is_busy_follows_from_the_number_on_a_side(int players, int courts, double share) =>
        Assert.Equal((decimal)share, Line(players, courts).Drills[0].Activity!.Value.ActiveShare);

    /// <summary>A bib for each of one side.</summary>
    [Theory]
    [InlineData(4, 2)]
    [InlineData(6, 3)]
    [InlineData(8, 4)]
    public void So_does_what_is_brought(int players, int bibs)
    {
        var line = Line(players, 1);
        Assert.Equal(bibs, Needs.Of(line.Block, players, Shelf).Items["bib"]);
    }

    [Fact]
    public void A_stage_further_on_is_calculated_too() =>
        Assert.Equal(1m, Line(6, 1, "three-steps-crossing", 2).Drills[0].Activity!.Value.ActiveShare);
}
