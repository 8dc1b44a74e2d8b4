using KeepTally.Core.Loads;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Loads;

/// <summary>Load against the published table, line by line, and rest by the calendar.</summary>
public sealed class LoadTests
{
    private static readonly DateOnly Friday = new(2026, 11, 6);

    /// <summary>Guidelines for youth and adolescent pitchers, USA Baseball and Major League Baseball (2014): daily maximum by age. From memory.</summary>
    [Theory]
    [InlineData(7, 50)]
    [InlineData(8, 50)]
    [InlineData(9, 75)]
    [InlineData(10, 75)]
    [InlineData(11, 85)]
    [InlineData(12, 85)]
    [InlineData(13, 95)]
    [InlineData(14, 95)]
    [InlineData(15, 95)]
    [InlineData(16, 95)]
    [InlineData(17, 105)]
    [InlineData(18, 105)]
    [InlineData(19, 120)]
    [InlineData(22, 120)]
    public void So_many_in_a_day_by_age(int age, int most) => Assert.Equal(most, LoadTable.Suggested.For("throw", age)!.PerDay);

    /// <summary>The same source: days of rest by age and by how many. From memory.</summary>
    [Theory]
    [InlineData(8, 20, 0)]
    [InlineData(8, 21, 1)]
    [InlineData(8, 36, 2)]
    [InlineData(13, 20, 0)]
    [InlineData(13, 35, 1)]
    [InlineData(13, 36, 2)]
    [InlineData(13, 51, 3)]
    [InlineData(13, 66, 4)]
    [InlineData(15, 30, 0)]
    [InlineData(15, 31, 1)]
    [InlineData(16, 60, 2)]
    [InlineData(16, 61, 3)]
    [InlineData(16, 76, 4)]
    [InlineData(18, 80, 3)]
    [InlineData(18, 81, 4)]
    [InlineData(20, 105, 4)]
    [InlineData(20, 106, 5)]
    public void So_many_days_of_rest(int age, int count, int days) =>
        Assert.Equal(days, LoadTable.Suggested.For("throw", age)!.RestAfter(count));

    [Fact]
    public void What_has_no_table_has_no_limit()
    {
        Assert.Null(LoadTable.Suggested.For("jump", 13));
        Assert.Null(LoadTable.Suggested.For("throw", 30));
        Assert.Equal(50, LoadTable.Suggested.For("throw", 5)!.PerDay);
    }

    [Fact]
    public void Where_only_the_year_is_known_the_younger_age_counts()
    {
        Assert.Equal(12, LoadLimits.AgeOn(2013, Friday));
        Assert.Equal(13, LoadLimits.AgeOn(2013, new DateOnly(2026, 12, 31)));
    }

    [Fact]
    public void Rest_is_whole_days_between()
    {
        var limit = LoadTable.Suggested.For("throw", 13)!;
        (DateOnly, int)[] worked = [(Friday, 40)];

        // Two days of rest after Friday are Saturday and Sunday.
        Assert.NotNull(LoadJudge.On(Friday.AddDays(1), limit, worked));
        Assert.NotNull(LoadJudge.On(Friday.AddDays(2), limit, worked));
        Assert.Null(LoadJudge.On(Friday.AddDays(3), limit, worked));
        Assert.Null(LoadJudge.On(Friday, limit, worked));
    }

    [Fact]
    public void A_heavy_day_outlasts_a_light_one_after_it()
    {
        var limit = LoadTable.Suggested.For("throw", 13)!;
        (DateOnly, int)[] worked = [(Friday, 70), (Friday.AddDays(1), 5)];

        var still = LoadJudge.On(Friday.AddDays(3), limit, worked)!;
        Assert.Equal((Friday, 4), (still.After, still.RestDays));
        Assert.Equal(
            "70 throws on 6 November: four days of rest are due, and 9 November is one of them.",
            LoadWords.Of(still, "throw")
        );
        var past = Assert.Single(LoadJudge.OfPast(limit, worked));
        Assert.Equal("7 November: after 70 throws on 6 November four days of rest were due.", LoadWords.Of(past, "throw"));
    }

    [Fact]
    public void More_than_a_day_may_have_is_told()
    {
        var over = Assert.Single(LoadJudge.OfPast(LoadTable.Suggested.For("throw", 13)!, [(Friday, 96)]));

        Assert.Equal("6 November: 96 throws, more than the limit of 95 a day for this age.", LoadWords.Of(over, "throw"));
        Assert.Empty(LoadJudge.OfPast(LoadTable.Suggested.For("throw", 13)!, [(Friday, 95)]));
    }
}
