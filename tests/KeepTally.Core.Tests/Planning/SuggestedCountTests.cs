using KeepTally.Core.Planning;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Planning;

/// <summary>A line planned for other players is put into groups that its card allows for those who are here.</summary>
public sealed class SuggestedCountTests
{
    private static readonly CardShelf Shelf = CardShelf.Of(ShippedCard.Ids.Select(id => ShippedCard.Read(id)));

    private static Plan PlanOf(int players) =>
        new()
        {
            Start = new TimeOnly(17, 0),
            Minutes = 60,
            Players = players,
            Blocks = [],
            Reserve = [],
        };

    /// <summary>By hand: trios are three or four; of seven in four groups one would stand alone, of twelve none.</summary>
    [Theory]
    [InlineData(12, 4, 4)]
    [InlineData(7, 4, 2)]
    [InlineData(16, 4, 4)]
    [InlineData(16, 2, 4)]
    public void Groups_stay_where_the_card_allows_them(int players, int planned, int groups)
    {
        var line = new PlanBlock.Drill("minute-trios", 6, planned) { FitsClock = true };

        Assert.Equal(line with { Groups = groups }, SuggestedCount.ForPlayers(PlanOf(players), line, Shelf));
    }

    [Fact]
    public void A_break_and_an_unknown_drill_stay_as_they_are()
    {
        PlanBlock[] lines = [new PlanBlock.Break("Water", 2), new PlanBlock.Drill("nowhere", 5, 9)];
        Assert.All(lines, line => Assert.Same(line, SuggestedCount.ForPlayers(PlanOf(7), line, Shelf)));
    }
}
