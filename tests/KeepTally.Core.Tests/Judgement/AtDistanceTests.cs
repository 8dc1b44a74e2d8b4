using KeepTally.Core.Judgement;
using MathNet.Numerics;

namespace KeepTally.Core.Tests.Judgement;

/// <summary>What is to be expected from another distance, held against a reference library and against shots that were counted.</summary>
public sealed class AtDistanceTests
{
    /// <summary>MathNet.Numerics: the error function and its inverse.</summary>
    [Fact]
    public void It_is_the_error_function_over_the_distance()
    {
        for (var share = 0.001; share < 1; share += 0.0131)
        {
            foreach (var at in (double[])[0.5, 1, 3, 7.5, 20])
            {
                var expected = SpecialFunctions.Erf(SpecialFunctions.ErfInv(share) * 5 / at);
                Assert.Equal(expected, AtDistance.Expected(share, 5, at), 1e-9);
            }
        }
    }

    [Fact]
    public void There_and_back_is_where_one_was()
    {
        var draw = new Random(4711);
        for (var i = 0; i < 500; i++)
        {
            var (share, wanted, from) = (
                0.02 + (0.96 * draw.NextDouble()),
                0.02 + (0.96 * draw.NextDouble()),
                1 + (20 * draw.NextDouble())
            );
            var there = AtDistance.Where(wanted, share, from);

            Assert.Equal(wanted, AtDistance.Expected(share, from, there), 1e-9);
            Assert.Equal(share, AtDistance.Expected(wanted, there, from), 1e-9);
            Assert.Equal(wanted > share, there < from);
        }
    }

    /// <summary>
    /// Putts that were counted at so many feet: D. A. Berry, Statistics: A Bayesian Perspective (1995), as given by Gelman and Nolan
    /// (2002); figures from memory. From what were made at five feet the rest follows, to nine hundredths up to twelve feet.
    /// </summary>
    [Theory]
    [InlineData(3, 577, 694)]
    [InlineData(4, 337, 455)]
    [InlineData(6, 149, 272)]
    [InlineData(7, 136, 256)]
    [InlineData(8, 111, 240)]
    [InlineData(9, 69, 217)]
    [InlineData(10, 67, 200)]
    [InlineData(11, 75, 237)]
    [InlineData(12, 52, 202)]
    public void Putts_was_made_as_was_to_be_expected(int feet, int made, int of) =>
        Assert.Equal((double)made / of, AtDistance.Expected(208.0 / 353, 5, feet), 0.09);
}
