using KeepTally.Core.Judgement;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Judgement;

/// <summary>Shares and their differences, against published examples.</summary>
public sealed class ShareTests
{
    /// <summary>R. G. Newcombe, "Two-sided confidence intervals for the single proportion", Statistics in Medicine 17 (1998), table I, method 3.</summary>
    [Theory]
    [InlineData(81, 263, 0.2553, 0.3662)]
    [InlineData(15, 148, 0.0624, 0.1605)]
    [InlineData(0, 20, 0.0000, 0.1611)]
    [InlineData(1, 29, 0.0061, 0.1718)]
    public void A_share_has_the_bounds_of_the_published_examples(int made, int of, double low, double high)
    {
        var bounds = new Share(made, of).Bounds;

        Assert.Equal((low, high), (Math.Round(bounds.Low, 4), Math.Round(bounds.High, 4)));
    }

    /// <summary>R. G. Newcombe, "Interval estimation for the difference between independent proportions", Statistics in Medicine 17 (1998), table II, method 10.</summary>
    [Theory]
    [InlineData(56, 70, 48, 80, 0.0524, 0.3339)]
    [InlineData(9, 10, 3, 10, 0.1705, 0.8090)]
    [InlineData(6, 7, 2, 7, 0.0582, 0.8062)]
    [InlineData(5, 56, 0, 29, -0.0381, 0.1926)]
    [InlineData(0, 10, 0, 10, -0.2775, 0.2775)]
    [InlineData(10, 10, 0, 10, 0.6075, 1.0000)]
    public void A_difference_has_the_bounds_of_the_published_examples(int a, int of, int b, int other, double low, double high)
    {
        var bounds = new ShareDifference(new Share(a, of), new Share(b, other)).Bounds;

        Assert.Equal((low, high), (Math.Round(bounds.Low, 4), Math.Round(bounds.High, 4)));
    }

    /// <summary>So many goes on, in steps in which the makes of both stay whole, it is settled; so many fewer it is not.</summary>
    [Theory]
    [InlineData(7, 10, 5, 10, 10)]
    [InlineData(12, 20, 9, 20, 20)]
    [InlineData(3, 4, 30, 60, 4)]
    [InlineData(2, 10, 3, 10, 10)]
    public void Goes_that_would_settle_it_are_the_fewest_that_do(int a, int of, int b, int other, int step)
    {
        var goes = new ShareDifference(new Share(a, of), new Share(b, other)).GoesToSettle()!.Value;
        var enough = (goes + step - 1) / step * step;

        Assert.True(After(enough).IsSettled);
        Assert.False(After(enough - step).IsSettled);

        ShareDifference After(int more) =>
            new(new Share(a * (of + more) / of, of + more), new Share(b * (other + more) / other, other + more));
    }

    [Fact]
    public void What_is_settled_needs_no_more_and_what_is_alike_never_settles()
    {
        Assert.Equal(0, new ShareDifference(new Share(56, 70), new Share(48, 80)).GoesToSettle());
        Assert.Null(new ShareDifference(new Share(5, 10), new Share(50, 100)).GoesToSettle());
        Assert.Null(new ShareDifference(new Share(5, 10), default).GoesToSettle());
    }

    [Fact]
    public void Bounds_narrow_with_goes_and_hold_the_share()
    {
        for (var of = 1; of < 60; of++)
        {
            for (var made = 0; made <= of; made++)
            {
                var (few, many) = (new Share(made, of).Bounds, new Share(10 * made, 10 * of).Bounds);
                Assert.InRange((double)made / of, few.Low, few.High);
                Assert.True(many.High - many.Low < few.High - few.Low);
            }
        }
    }

    [Theory]
    [InlineData(7, 10, 5, 10, "7 of 10 against 5 of 10 is too close to call. About 36 more tries each would settle it.")]
    [InlineData(5, 10, 50, 100, "5 of 10 against 50 of 100: no clear difference.")]
    [InlineData(0, 0, 5, 10, "The first has no tries yet.")]
    [InlineData(
        48,
        80,
        56,
        70,
        "The second is better than the first: 48 of 80 against 56 of 70, by 20 percentage points, likely between 5 and 33."
    )]
    public void A_comparison_is_told_in_a_sentence(int a, int of, int b, int other, string words) =>
        Assert.Equal(
            words,
            ShareWords.Compare(new ShareDifference(new Share(a, of), new Share(b, other)), "the first", "the second")
        );

    [Fact]
    public void A_drill_is_called_too_hard_only_where_chance_would_seldom_have_done_it()
    {
        var band = SuccessBand.Usual;

        Assert.Equal(Difficulty.PerhapsTooHard, band.Judge(new Share(4, 10)));
        Assert.Equal(Difficulty.TooHard, band.Judge(new Share(40, 100)));
        Assert.Equal(Difficulty.Within, band.Judge(new Share(6, 10)));
        Assert.Equal(Difficulty.PerhapsTooEasy, band.Judge(new Share(9, 10)));
        Assert.Equal(Difficulty.TooEasy, band.Judge(new Share(95, 100)));
        Assert.Equal(Difficulty.Unknown, band.Judge(default));
    }

    /// <summary>The band itself belongs to it; outside it is told for sure only where the likely range lies outside as well.</summary>
    [Theory]
    [InlineData(0, 0, Difficulty.Unknown)]
    [InlineData(5, 10, Difficulty.Within)]
    [InlineData(8, 10, Difficulty.Within)]
    [InlineData(4, 10, Difficulty.PerhapsTooHard)]
    [InlineData(9, 10, Difficulty.PerhapsTooEasy)]
    [InlineData(40, 100, Difficulty.TooHard)]
    [InlineData(41, 100, Difficulty.PerhapsTooHard)]
    [InlineData(88, 100, Difficulty.TooEasy)]
    [InlineData(86, 100, Difficulty.PerhapsTooEasy)]
    public void A_share_lies_in_the_band_or_perhaps_or_surely_out_of_it(int made, int of, Difficulty expected) =>
        Assert.Equal(expected, SuccessBand.Usual.Judge(new Share(made, of)));
}
