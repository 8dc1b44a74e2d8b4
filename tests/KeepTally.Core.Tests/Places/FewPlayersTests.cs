using KeepTally.Core.Cards;
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
    public void In_no_shipped_card_does_the_job_that_scores_fall_to_nobody_or_pass_a_player_by(int players)
    {
        // In turns it is the turn that says whose job it is; more than the card is for is not asked of it.
        var cards = ShippedCard.Ids.Select(id => ShippedCard.Read(id)).Where(card => players <= card.Players.Max);
        foreach (var stage in cards.SelectMany(card => card.Stages).Where(stage => stage.Play != Play.Turns))
        {
            var spots = stage.Places.Where(place => place is { Scores: true, Kind: PlaceKind.Spot, Side: null }).ToArray();
            if (spots.Length == 0 || stage.Moves.Any(move => move.Who is not (MoveWho.All or MoveWho.First)))
            {
                continue;
            }

            var everyone = Given.Players(Enumerable.Range(1, players).Select(n => $"p{n}"));
            var standing = Placement.Fill(stage.Places, everyone);
            var shots = everyone.ToDictionary(player => player, _ => 0);
            for (var round = 0; round < 60; round++)
            {
                var there = spots.SelectMany(spot => standing.At(spot.Id)).ToArray();
                Assert.True(there.Length > 0, $"{stage.Name}: nobody with {players} players, after {round} changes");
                foreach (var player in there)
                {
                    shots[player]++;
                }

                standing = Rotation.Next(standing, Rotation.Way(stage.Moves, stage.Rotate, round), default);
            }

            Assert.True(shots.Values.Min() > 0, $"{stage.Name}: with {players} players a player never gets the job");
        }
    }

    /// <summary>Anyone who limps off, and however few are left, a player does the job that scores as long as any player is there.</summary>
    [Fact]
    public void A_player_who_goes_the_job_that_scores_falls_to_a_player()
    {
        foreach (var stage in ShippedCard.Ids.SelectMany(id => ShippedCard.Read(id).Stages))
        {
            var spots = stage.Places.Where(place => place is { Scores: true, Kind: PlaceKind.Spot }).ToArray();
            var everyone = Given.Players(["a", "b", "c", "d"]);
            for (var first = 0; spots.Length > 0 && first < everyone.Length; first++)
            {
                var standing = Placement.Fill(stage.Places, everyone);
                for (var n = 0; n < everyone.Length - 1; n++)
                {
                    var goes = everyone[(first + n) % everyone.Length];
                    standing = SubstitutionRule.Apply(standing, stage.Moves, goes, null);
                    Assert.NotEmpty(spots.SelectMany(spot => standing.At(spot.Id)));
                    Assert.Equal(everyone.Length - n - 1, standing.Everyone.Distinct().Count());
                    Assert.DoesNotContain(goes, standing.Everyone);
                }
            }
        }
    }
}
