using CsCheck;
using KeepTally.Core.Places;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Places;

public sealed class CircuitTests
{
    [Fact]
    public void With_as_many_groups_as_stations_it_is_a_latin_square() =>
        Gen.Select(Gen.Int[1, 12], Gen.Bool)
            .Sample(
                (size, reverse) =>
                {
                    var circuit = new Circuit(size, size, reverse);
                    var all = Enumerable.Range(0, size).ToArray();
                    foreach (var one in all)
                    {
                        Assert.Equal(all, all.Select(round => circuit.StationOf(one, round)!.Value).Order());
                        Assert.Equal(all, all.Select(group => circuit.StationOf(group, one)!.Value).Order());
                    }
                }
            );

    [Fact]
    public void Each_group_meets_each_station_once_and_no_station_holds_two() =>
        Gen.Select(Gen.Int[1, 10], Gen.Int[1, 10], Gen.Bool)
            .Sample(
                (groups, stations, reverse) =>
                {
                    var circuit = new Circuit(groups, stations, reverse);
                    for (var group = 0; group < groups; group++)
                    {
                        var met = Enumerable
                            .Range(0, circuit.Rounds)
                            .Select(round => circuit.StationOf(group, round))
                            .OfType<int>()
                            .ToArray();
                        Assert.Equal(Enumerable.Range(0, stations), met.Order());
                    }

                    for (var round = 0; round < circuit.Rounds; round++)
                    {
                        var held = Enumerable
                            .Range(0, groups)
                            .Select(group => circuit.StationOf(group, round))
                            .OfType<int>()
                            .ToArray();
                        Assert.Equal(held.Length, held.Distinct().Count());
                        Assert.All(
                            held,
                            station => Assert.Equal(station, circuit.StationOf(circuit.GroupAt(station, round)!.Value, round))
                        );
                    }
                }
            );

    [Fact]
    public void In_reverse_everyone_goes_back_the_way_they_came()
    {
        Assert.Equal([1, 2, 3, 0], Enumerable.Range(0, 4).Select(round => new Circuit(4, 4, false).StationOf(1, round)!.Value));
        Assert.Equal([1, 0, 3, 2], Enumerable.Range(0, 4).Select(round => new Circuit(4, 4, true).StationOf(1, round)!.Value));
    }

    [Theory]
    [InlineData("minute-trios", 3, "shooter", 1, 1)]
    [InlineData("minute-trios", 4, "feeder", 1, 1)]
    [InlineData("two-on-one-lane", 3, "defender", 1, 1)]
    public void After_a_full_cycle_everybody_has_done_every_job_alike(string card, int players, string job, int fewest, int most)
    {
        var stage = ShippedCard.Read(card).Stages[0];
        var fair = Fairness.Of(Placement.Fill(stage.Places, Enumerable.Range(0, players).Select(n => $"{n}")), stage.Moves);

        Assert.NotNull(fair.Rotations);
        Assert.Equal((fewest, most), (fair.At(job).Fewest, fair.At(job).Most));
    }

    [Theory]
    [InlineData("minute-trios", 3, "Three players: after three changes everyone has done every job as often as the others.")]
    [InlineData("square-thief", 5, "")]
    [InlineData("last-line", 5, "")]
    public void What_the_numbers_make_of_it_is_said(string card, int players, string said) =>
        Assert.Equal(said, Core.Words.FairWords.Of(ShippedCard.Read(card).Stages[0], players));

    [Fact]
    public void Every_shipped_card_whose_places_turn_by_themselves_is_fair_to_everyone_it_was_made_for()
    {
        foreach (var card in ShippedCard.Ids.Select(id => ShippedCard.Read(id)))
        {
            foreach (
                var stage in card.Stages.Where(stage =>
                    Fairness.CanTell(stage.Moves) && stage.Places.All(place => place.Side is null)
                )
            )
            {
                var players = Enumerable.Range(0, card.Players.Best).Select(n => $"{n}");
                var fair = Fairness.Of(Placement.Fill(stage.Places, players), stage.Moves);
                Assert.True(fair.Rotations is not null, $"{card.Id}: {stage.Name} never comes round");
            }
        }
    }
}
