using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Words;

public sealed class CardDoubtsTests
{
    public static TheoryData<string> Ids => [.. ShippedCard.Ids];

    private static string[] Doubts(string stage) =>
        [.. CardDoubts.Of(Given.Card(stage)).Select(doubt => $"{doubt.Path}: {doubt.Problem}")];

    [Theory]
    [MemberData(nameof(Ids))]
    public void No_shipped_card_speaks_against_itself(string id) => Assert.Empty(CardDoubts.Of(ShippedCard.Read(id)));

    // Two fours and a minute between are nine minutes (common practice), so a limit of eight cuts the second half short.
    [Theory]
    [InlineData(480, "stages[0].until: it is over after 8 minutes, but the clock runs for 9 minutes")]
    [InlineData(600, "stages[0].until: the clock is over after 9 minutes, so the limit of 10 minutes is never reached")]
    public void A_limit_that_is_not_the_length_of_the_clock_is_told(int limit, string told) =>
        Assert.Contains(
            told,
            Doubts(
                $$$"""
                "until":[{"seconds":{{{limit}}}}],"clock":{"work":240,"rounds":2,"breakAfter":{"round":1,"seconds":60}}
                """
            )
        );

    [Fact]
    public void A_turn_that_is_not_a_round_of_work_is_told() =>
        Assert.Contains(
            "stages[0].until: a turn lasts 45 seconds, but the clock gives each 1 minute",
            Doubts(
                """
                "play":"turns","until":[{"seconds":45}],"clock":{"work":60,"change":10,"rounds":4}
                """
            )
        );

    [Theory]
    [InlineData(
        "\"until\":[{\"seconds\":540}],\"clock\":{\"work\":240,\"rounds\":2,\"countIn\":5,\"breakAfter\":{\"round\":1,\"seconds\":60}}"
    )]
    [InlineData("\"until\":[{\"points\":11}],\"clock\":{\"work\":240}")]
    [InlineData("\"until\":[{\"seconds\":60}]")]
    public void Numbers_that_agree_raise_none(string stage) =>
        Assert.DoesNotContain(Doubts(stage), doubt => doubt.StartsWith("stages", StringComparison.Ordinal));
}
