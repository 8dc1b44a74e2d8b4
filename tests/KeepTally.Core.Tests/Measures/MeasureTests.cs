using CsCheck;
using KeepTally.Core.Measures;

namespace KeepTally.Core.Tests.Measures;

/// <summary>Feet and yards by the agreement of 1959: the yard is 0.9144 m exactly, the foot a third of it.</summary>
public sealed class MeasureTests
{
    [Fact]
    public void Feet_and_yards_are_those_of_1959()
    {
        Assert.Equal(0.9144, Measure.LengthOf(LengthUnit.Yards, Stride.Usual));
        Assert.Equal(0.3048, Measure.LengthOf(LengthUnit.Feet, Stride.Usual));
        Assert.Equal(3 * Measure.Foot, Measure.Yard, 12);
        // A mile of 1,760 yards is 1,609.344 m, a chain of 22 yards 20.1168 m. Source: the same agreement.
        Assert.Equal(1609.344, new Measure(1760, LengthUnit.Yards).Metres(Stride.Usual), 9);
        Assert.Equal(20.1168, new Measure(66, LengthUnit.Feet).Metres(Stride.Usual), 9);
    }

    [Theory]
    [InlineData("7.5", 7.5, LengthUnit.Metres)]
    [InlineData("7,5", 7.5, LengthUnit.Metres)]
    [InlineData("4p", 4, LengthUnit.Paces)]
    [InlineData("15 ft", 15, LengthUnit.Feet)]
    [InlineData("15YD", 15, LengthUnit.Yards)]
    [InlineData("-3 m", -3, LengthUnit.Metres)]
    public void A_distance_is_read_as_it_is_written(string text, double amount, LengthUnit unit) =>
        Assert.Equal(new Measure(amount, unit), Measure.Parse(text));

    [Theory]
    [InlineData("")]
    [InlineData("far")]
    [InlineData("p")]
    [InlineData("1e3")]
    [InlineData("4 5")]
    [InlineData("NaN")]
    [InlineData("∞")]
    public void What_is_no_distance_is_none(string text) => Assert.Null(Measure.Parse(text));

    [Fact]
    public void Paces_to_metres_and_back_are_the_same() =>
        Gen.Select(Gen.Double[-500, 500], Gen.Double[Stride.Least, Stride.Most], Gen.Int[0, 3])
            .Sample(
                (metres, stride, unit) =>
                    Assert.Equal(metres, Measure.From(metres, (LengthUnit)unit, new Stride(stride)).Metres(new Stride(stride)), 6)
            );

    [Fact]
    public void What_is_written_reads_again() =>
        Gen.Select(Gen.Int[-4000, 4000], Gen.Int[0, 3])
            .Sample(
                (quarters, unit) =>
                {
                    var measure = new Measure(quarters / 4.0, (LengthUnit)unit);
                    Assert.Equal(measure, Measure.Parse(measure.Written));
                }
            );

    [Fact]
    public void A_stride_is_told_by_a_walk()
    {
        // 26 paces along a handball court of 20 m: 0.769 m.
        Assert.Equal(20 / 26.0, Stride.Walked(20, 26).Require().Metres);
        Assert.Equal("length", Stride.Walked(3, 4).Faults.Single().Path);
        Assert.Equal("paces", Stride.Walked(20, 5).Faults.Single().Path);
        Assert.Equal("paces", Stride.Walked(20, 0).Faults.Single().Path);
        Assert.Equal("length", Stride.Walked(double.NaN, 5).Faults.Single().Path);
    }
}
