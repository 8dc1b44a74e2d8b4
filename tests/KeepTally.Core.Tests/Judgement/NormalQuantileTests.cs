using KeepTally.Core.Judgement;
using MathNet.Numerics.Distributions;

namespace KeepTally.Core.Tests.Judgement;

/// <summary>The normal quantile, against MathNet.Numerics in the middle, in the tails and far out.</summary>
public sealed class NormalQuantileTests
{
    [Fact]
    public void It_is_that_of_the_reference_library()
    {
        foreach (var below in Enumerable.Range(1, 999).Select(of => of / 1000.0).Concat([1e-4, 1e-6, 1e-9, 1e-12, 1e-15]))
        {
            Assert.InRange(NormalQuantile.At(below) - Normal.InvCDF(0, 1, below), -1e-9, 1e-9);
        }
    }

    /// <summary>Source: the usual table of the normal distribution, from memory.</summary>
    [Theory]
    [InlineData(0.5, 0)]
    [InlineData(0.9, 1.2816)]
    [InlineData(0.95, 1.6449)]
    [InlineData(0.975, 1.96)]
    [InlineData(0.995, 2.5758)]
    public void It_is_that_of_the_table(double below, double z)
    {
        Assert.Equal(z, NormalQuantile.At(below), 4);
        Assert.Equal(-z, NormalQuantile.At(1 - below), 4);
    }

    [Fact]
    public void The_bounds_of_every_likely_range_use_the_same() => Assert.Equal(Quantiles.Normal, NormalQuantile.At(0.975), 12);
}
