using KeepTally.Core.Live;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Words;

/// <summary>How a player stands to the par, told while they play.</summary>
public sealed class ParWordsTests
{
    private static string Words(Sheet sheet) => ParWords.Of(sheet.Stage, sheet.Now().Of("a"));

    [Theory]
    [InlineData("a-", "2 to par")]
    [InlineData("a+ a+", "par met")]
    [InlineData("a+ a- a-", "below par")]
    public void More_is_better_of_makes(string taps, string words) =>
        Assert.Equal(
            words,
            Words(
                Given.Started(Given.Card(""" "par":{"by":"successes","value":2},"until":[{"attempts":3}] """), "a", "b").Taps(taps)
            )
        );

    [Theory]
    [InlineData("a- a-", "par 0:03")]
    [InlineData("a+ a+", "par met")]
    [InlineData("a- a- a- a-", "over par")]
    public void Less_is_better_of_time(string taps, string words) =>
        Assert.Equal(
            words,
            Words(
                Given.Started(Given.Card(""" "par":{"by":"seconds","value":3},"until":[{"successes":2}] """), "a", "b").Taps(taps)
            )
        );

    [Fact]
    public void Where_no_par_is_set_nothing_is_told() => Assert.Equal("", Words(Given.Started(Given.Card(""), "a").Taps("a+")));
}
