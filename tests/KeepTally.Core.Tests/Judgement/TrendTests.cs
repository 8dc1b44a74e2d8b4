using KeepTally.Core.Chance;
using KeepTally.Core.Judgement;
using KeepTally.Core.Words;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearRegression;

namespace KeepTally.Core.Tests.Judgement;

/// <summary>Trends over practices, against MathNet.Numerics and by what chance alone does.</summary>
public sealed class TrendTests
{
    [Fact]
    public void Quantiles_are_those_of_the_reference_library()
    {
        for (var degrees = 1; degrees < 200; degrees++)
        {
            Assert.InRange(Quantiles.Student(degrees) - StudentT.InvCDF(0, 1, degrees, 0.975), -0.0002, 0.0002);
        }
    }

    [Fact]
    public void The_line_is_that_of_the_reference_library()
    {
        double[] days = [0, 7, 14, 28, 35, 42];
        double[] values = [3, 4, 3.5, 5, 6, 5.5];

        var trend = Trend.OfFigures([.. days.Zip(values)])!;
        var (start, slope) = SimpleRegression.Fit(days, values);

        Assert.Equal(7 * slope, trend.PerWeek, 9);
        Assert.Equal((start, start + (42 * slope)), (Math.Round(trend.First, 9), Math.Round(trend.Last, 9)), new Near());
        Assert.True(trend.IsChange);
        Assert.StartsWith("Better: points went from 3.", TrendWords.OfFigures(trend, 6, "points", false), StringComparison.Ordinal);
    }

    /// <summary>
    /// Worked by hand: four points have two degrees of freedom, and Student's t is 4.3027 there (published tables): 0.7 a week,
    /// give or take 1.3942.
    /// </summary>
    [Fact]
    public void Few_points_leave_much_open()
    {
        var trend = Trend.OfFigures([(0, 3), (7, 4), (14, 3.5), (21, 5.5)])!;
        Assert.Equal(0.7, trend.PerWeek, 9);
        Assert.InRange(trend.Bounds.Low, -0.6945, -0.6939);
        Assert.InRange(trend.Bounds.High, 2.0939, 2.0945);
        Assert.False(trend.IsChange);
    }

    [Fact]
    public void Of_shares_that_never_change_few_are_called_a_change()
    {
        const int Squads = 2000;
        var draw = new SeededDraw(11);
        var changes = 0;
        for (var squad = 0; squad < Squads; squad++)
        {
            var shares = Enumerable.Range(0, 8).Select(week => (7.0 * week, Played(draw, 0.55, 12 + (week % 3 * 6)))).ToArray();
            changes += Trend.OfShares(shares)!.IsChange ? 1 : 0;
        }

        // Nineteen of twenty bounds hold; that it never claims more than the goes allow makes it rarer still.
        Assert.InRange(changes, 1, Squads / 20);
    }

    [Fact]
    public void A_share_that_rises_is_told_as_rising()
    {
        var draw = new SeededDraw(3);
        var shares = Enumerable.Range(0, 8).Select(week => (7.0 * week, Played(draw, 0.3 + (0.05 * week), 120))).ToArray();
        var trend = Trend.OfShares(shares)!;

        Assert.True(trend.Bounds.Contains(0.05));
        Assert.StartsWith(
            "Up from 3",
            TrendWords.OfShares(trend, 8, Share.Sum(shares.Select(each => each.Item2))),
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(-0.005, 0.054, "The change is likely between −0.5 and +5.4 percentage points a week.")]
    [InlineData(-0.14, 0.239, "The change is likely between −14 and +24 percentage points a week.")]
    [InlineData(-0.02, 0.126, "The change is likely between −2 and +13 percentage points a week.")]
    public void Both_bounds_are_told_as_exactly_as_each_other(double low, double high, string told) =>
        Assert.EndsWith(
            told,
            TrendWords.OfShares(new Trend(0.01, new Bounds(low, high), 0.3, 0.4, 5), 5, new Share(8, 31)),
            StringComparison.Ordinal
        );

    [Fact]
    public void Few_practices_and_practices_of_one_day_have_no_trend()
    {
        (double, Share)[] three = [(0, new Share(1, 10)), (7, new Share(5, 10)), (14, new Share(9, 10))];

        Assert.Null(Trend.OfShares(three));
        Assert.Null(Trend.OfShares([.. three, (21, default)]));
        Assert.Null(Trend.OfFigures([(1, 1), (1, 2), (1, 3), (1, 4)]));
        Assert.Equal(
            "Three practices with 15 of 30: too few for a trend. A trend takes four practices.",
            TrendWords.OfShares(null, 3, new Share(15, 30))
        );
    }

    private static Share Played(SeededDraw draw, double chance, int goes) =>
        new(Enumerable.Range(0, goes).Count(_ => draw.Below(1000) < 1000 * chance), goes);

    private sealed class Near : IEqualityComparer<(double, double)>
    {
        public bool Equals((double, double) x, (double, double) y) =>
            Math.Abs(x.Item1 - y.Item1) < 1e-6 && Math.Abs(x.Item2 - y.Item2) < 1e-6;

        public int GetHashCode((double, double) obj) => 0;
    }
}
