using KeepTally.Core.Places;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Places;

/// <summary>With fewer players than jobs the vital job is done all the same, and everyone gets it in turn.</summary>
public sealed class FewPlayersTests
{
    [Fact]
    public void A_trio_of_two_never_leaves_the_shot_to_nobody_and_both_shoot_as_often()
    {
        var stage = ShippedCard.Read("minute-trios").Stages[0];
        var standing = Placement.Fill(stage.Places, Given.Players(["a", "b"]));
        var shooters = new List<string>();
        for (var round = 0; round < 6; round++)
        {
            shooters.Add(Assert.Single(standing.At("shoot")).Value);
            standing = Rotation.Next(standing, stage.Moves, default);
        }

        Assert.Equal((3, 3), (shooters.Count(player => player == "a"), shooters.Count(player => player == "b")));
        var fair = Fairness.Of(Placement.Fill(stage.Places, Given.Players(["a", "b"])), stage.Moves);
        var (fewest, most, _, have) = fair.At("shooter");
        Assert.Equal((true, 2), (fewest == most, have));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(7)]
    public void In_no_shipped_card_does_a_spot_that_scores_stand_empty_while_somebody_could_stand_in_it(int players)
    {
        foreach (var stage in ShippedCard.Ids.SelectMany(id => ShippedCard.Read(id).Stages))
        {
            var spots = stage.Places.Where(place => place is { Scores: true, Kind: PlaceKind.Spot, Side: null }).ToArray();
            if (spots.Length == 0 || stage.Moves.Any(move => move.Who is not (MoveWho.All or MoveWho.First)))
            {
                continue;
            }

            var standing = Placement.Fill(stage.Places, Given.Players(Enumerable.Range(1, players).Select(n => $"p{n}")));
            var wanted = Math.Min(players, spots.Sum(spot => spot.Size));
            for (var round = 0; round < 10; round++)
            {
                Assert.True(
                    spots.Sum(spot => standing.At(spot.Id).Count) == wanted,
                    $"{stage.Name}: with {players} players, after {round} changes"
                );
                standing = Rotation.Next(standing, stage.Moves, default);
            }
        }
    }
}
