using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Tests.Groups;

/// <summary>A card with one server and two receivers gets one and two: common practice.</summary>
public sealed class UnevenSidesTests
{
    private const string ServeAndReceive = """
        "scores":"side","play":"match","sides":["server","receivers"],
        "places":[{"id":"serve","size":1,"side":"server"},{"id":"left","size":1,"side":"receivers"},{"id":"right","size":1,"side":"receivers"}]
        """;

    [Theory]
    [InlineData(3, 1, "1 2")]
    [InlineData(4, 1, "1 3")]
    [InlineData(6, 1, "2 4")]
    [InlineData(2, 1, "1 1")]
    [InlineData(6, 2, "1 2 1 2")]
    [InlineData(7, 2, "1 3 1 2")]
    public void Sides_are_dealt_as_their_places_are(int players, int courts, string sizes)
    {
        var card = Given.Card(ServeAndReceive);
        var members = Enumerable.Range(1, players).Select(n => new Member(new PlayerId($"p{n}"), $"P{n}")).ToArray();
        var dealt = StageDealer.Deal(card, 0, members, courts);

        var units = dealt.SelectMany(sheet => sheet.Head.Units).ToArray();
        Assert.Equal(sizes, string.Join(' ', units.Select(unit => unit.Players.Count)));
        Assert.Equal(players, units.SelectMany(unit => unit.Players).Distinct().Count());
    }
}
