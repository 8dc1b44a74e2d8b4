using KeepTally.Core.Judgement;
using KeepTally.Core.Text;
using KeepTally.Core.Words;
using MathNet.Numerics.Distributions;

namespace KeepTally.Core.Tests.Judgement;

/// <summary>Another k of n is offered where a step is too hard or too easy; the odds are those of the binomial.</summary>
public sealed class OtherPassTests
{
    private static string Of(string pass, Share share) =>
        OtherPass.Of(
            Given.Card($$""" "play":"together","ladder":{"rungs":["a"],"pass":{{pass}}} """).Stages[0],
            SuccessBand.Usual,
            share
        );

    /// <summary>MathNet.Numerics: the upper tail of the binomial.</summary>
    [Theory]
    [InlineData(5, 7, 40, 100)]
    [InlineData(2, 7, 80, 100)]
    [InlineData(4, 6, 30, 90)]
    public void The_odds_are_those_of_the_binomial(int k, int n, int made, int of)
    {
        double Tail(int least) => 1 - Binomial.CDF((double)made / of, n, least - 1);
        var best = Enumerable.Range(1, n).MinBy(each => Math.Abs(Tail(each) - 0.65));
        var words = Of($$"""{"successes":{{k}},"of":{{n}}}""", new Share(made, of));

        Assert.Contains($"is made {Phrase.Percent(Tail(k))} of the time", words, StringComparison.Ordinal);
        Assert.EndsWith($", {Phrase.Percent(Tail(best))}.", words, StringComparison.Ordinal);
    }

    /// <summary>Three in a row at one in two is one in eight; one alone is a half.</summary>
    [Fact]
    public void A_row_is_a_power() =>
        Assert.Equal(
            "At this share, three in a row is made 13 % of the time; one in a row, 50 %.",
            Of("""{"streak":3}""", new Share(5, 10))
        );

    [Fact]
    public void What_suits_is_left_alone()
    {
        Assert.Equal("", Of("""{"successes":3,"of":5}""", new Share(60, 100)));
        Assert.Equal("", Of("""{"successes":3,"of":5}""", default));
    }
}
