using CsCheck;
using KeepTally.Core.Circuits;

namespace KeepTally.Core.Tests.Circuits;

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
}
