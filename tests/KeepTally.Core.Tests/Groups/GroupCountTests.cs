using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Groups;

namespace KeepTally.Core.Tests.Groups;

/// <summary>How many groups there are to be.</summary>
public sealed class GroupCountTests
{
    private static readonly DrillCard TwoBallsAndACoach = CardReader
        .Read(
            """
            {"format":"keep-tally/drill@1","id":"d","name":"D","players":{"min":2,"best":3,"max":6},"coaches":1,
            "equipment":[{"item":"ball","count":2,"per":"group"},{"item":"ball","count":9,"per":"drill"}],
            "stages":[{"outcomes":[{"id":"make"}]}]}
            """
        )
        .Require();

    [Theory]
    [InlineData(12, 7, null, null, 3, GroupBound.Balls)] // seven balls, two a group
    [InlineData(12, 20, 4, null, 4, GroupBound.Courts)]
    [InlineData(12, 20, 9, 2, 2, GroupBound.Coaches)]
    [InlineData(7, null, null, null, 3, GroupBound.Players)] // groups of two at the least
    [InlineData(12, 1, null, null, 1, GroupBound.Balls)] // one group there always is
    public void As_many_as_balls_courts_coaches_and_players_allow(
        int players,
        int? balls,
        int? courts,
        int? coaches,
        int groups,
        GroupBound by
    ) => Assert.Equal((groups, by), GroupCount.Most(TwoBallsAndACoach, players, new Resources(balls, courts, coaches)));

    [Theory]
    [InlineData(14, 4, 4)] // 4, 4, 3, 3
    [InlineData(12, 3, 4)]
    [InlineData(5, 9, 1)]
    [InlineData(3, 1, 3)]
    public void No_group_is_larger_than_asked(int players, int size, int groups) =>
        Assert.Equal(groups, GroupCount.OfSize(players, size));
}
