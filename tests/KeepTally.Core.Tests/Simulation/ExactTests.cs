using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Simulation.Exact;
using MathNet.Numerics.Distributions;

namespace KeepTally.Core.Tests.Simulation;

/// <summary>What is calculated without playing, against a reference library and by going through every way it can go.</summary>
public sealed class ExactTests
{
    [Theory]
    [InlineData(1, 0.3)]
    [InlineData(5, 0.55)]
    [InlineData(20, 0.9)]
    public void Goes_for_so_many_makes_are_those_of_the_negative_binomial(int makes, double chance)
    {
        // The library counts the misses before the last make.
        var library = new NegativeBinomial(makes, chance).Mean + makes;

        Assert.Equal(library, ExpectedTries.ForSuccesses(makes, chance), 9);
    }

    /// <summary>From memory, and checked by hand: two heads in a row take six throws of a fair coin, three take fourteen.</summary>
    [Theory]
    [InlineData(2, 0.5, 6)]
    [InlineData(3, 0.5, 14)]
    [InlineData(1, 0.25, 4)]
    [InlineData(4, 1, 4)]
    public void Goes_for_so_many_in_a_row(int makes, double chance, double goes) =>
        Assert.Equal(goes, ExpectedTries.InARow(makes, chance), 9);

    [Fact]
    public void A_window_that_goes_to_its_end_is_passed_by_the_binomial()
    {
        foreach (var (need, of, chance) in new[] { (5, 7, 0.6), (4, 6, 0.45), (1, 3, 0.2), (7, 7, 0.9) })
        {
            var odds = WindowOdds.Of(new Pass.Window(need, of, WindowStop.None), chance);

            Assert.Equal(1 - Binomial.CDF(chance, of, need - 1), odds.Passes, 9);
            Assert.Equal(of, odds.Goes, 9);
        }
    }

    [Theory]
    [InlineData(WindowStop.None)]
    [InlineData(WindowStop.Fail)]
    [InlineData(WindowStop.Pass)]
    [InlineData(WindowStop.Both)]
    public void A_window_is_as_every_way_it_can_go_says(WindowStop stop)
    {
        const int Of = 7;
        const int Need = 5;
        foreach (var chance in new[] { 0.2, 0.55, 0.85 })
        {
            var (passes, goes) = (0.0, 0.0);
            for (var way = 0; way < 1 << Of; way++)
            {
                var (made, taken) = (0, 0);
                while (taken < Of)
                {
                    made += (way >> taken) & 1;
                    taken++;
                    if (
                        (stop is WindowStop.Pass or WindowStop.Both && made >= Need)
                        || (stop is WindowStop.Fail or WindowStop.Both && taken - made > Of - Need)
                    )
                    {
                        break;
                    }
                }

                var all = int.PopCount(way);
                var odds = Math.Pow(chance, all) * Math.Pow(1 - chance, Of - all);
                passes += made >= Need ? odds : 0;
                goes += taken * odds;
            }

            var window = WindowOdds.Of(new Pass.Window(Need, Of, stop), chance);
            Assert.Equal((passes, goes), (window.Passes, window.Goes), new Close());
        }
    }

    /// <summary>A race to so many without a lead is won by anyone who has them first: the binomial of the longest race. From memory.</summary>
    [Fact]
    public void A_race_without_a_lead_is_won_by_the_binomial()
    {
        foreach (var (to, chance) in new[] { (1, 0.5), (7, 0.55), (15, 0.4) })
        {
            var race = Race.Of(to, 0, [(1, 0, chance), (0, 1, 1 - chance)])!.Value;

            Assert.Equal(1 - Binomial.CDF(chance, (2 * to) - 1, to - 1), race.FirstWins, 9);
        }
    }

    /// <summary>Two clear, from level, is won with p² / (p² + q²) and takes 2 / (p² + q²) rallies. Source: Feller, vol. 1, on the ruin of gamblers; from memory.</summary>
    [Fact]
    public void A_race_two_clear_from_level_is_the_ruin_of_gamblers()
    {
        const double P = 0.6;
        var race = Race.Of(2, 2, [(1, 0, P), (0, 1, 1 - P)])!.Value;

        Assert.Equal(P * P / ((P * P) + ((1 - P) * (1 - P))), race.FirstWins, 9);
        Assert.Equal(2 / ((P * P) + ((1 - P) * (1 - P))), race.Rallies, 6);
    }

    [Fact]
    public void A_start_makes_it_even()
    {
        (int, int, double)[] rallies = [(1, 0, 0.6), (0, 1, 0.4)];

        Assert.True(Race.Of(11, 0, rallies)!.Value.FirstWins > 0.8);
        Assert.InRange(Race.Of(11, 0, rallies, start: 3)!.Value.FirstWins, 0.4, 0.62);
        Assert.Equal(0.5, Race.Of(11, 2, [(1, 0, 0.5), (0, 1, 0.5)])!.Value.FirstWins, 9);
    }

    private sealed class Close : IEqualityComparer<(double, double)>
    {
        public bool Equals((double, double) x, (double, double) y) =>
            Math.Abs(x.Item1 - y.Item1) < 1e-9 && Math.Abs(x.Item2 - y.Item2) < 1e-9;

        public int GetHashCode((double, double) obj) => 0;
    }
}
