using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Words;

public sealed class AimWordsTests
{
    private static string Aim(string stage, string taps) =>
        Given.Started(Given.Card(stage), "x", "y").Taps(taps) is var sheet ? AimWords.Of(sheet.Stage, sheet.Score.Points) : "";

    [Theory]
    [InlineData("", "First to 5 with a lead of 2")]
    [InlineData("x+ x+ x+ y+ y+ y+", "First to 5 with a lead of 2")]
    [InlineData("x+ x+ x+ x+ y+ y+ y+", "First to 5 with a lead of 2")]
    [InlineData("x+ x+ x+ x+ y+ y+ y+ y+", "4 to 4: two clear now")]
    [InlineData("x+ x+ x+ x+ y+ y+ y+ y+ y+", "5 to 4: two clear now")]
    public void Once_the_points_alone_cannot_win_it_the_lead_is_what_is_played_for(string taps, string aim) =>
        Assert.Equal(
            aim,
            Aim(
                """
                "play":"match","scores":"side","sides":["x","y"],"until":[{"points":5,"lead":2}]
                """,
                taps
            )
        );

    [Theory]
    [InlineData("\"until\":[{\"seconds\":60}]", "")]
    [InlineData("\"until\":[{\"attempts\":10}]", "Ten goes each")]
    [InlineData(
        "\"until\":[{\"points\":11},{\"seconds\":60}],\"play\":\"match\",\"scores\":\"side\",\"sides\":[\"x\",\"y\"]",
        "First to 11"
    )]
    [InlineData("", "")]
    public void What_the_clock_shows_is_not_said_again(string stage, string aim) => Assert.Equal(aim, Aim(stage, "x+"));
}
