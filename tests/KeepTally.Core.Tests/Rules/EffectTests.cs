using KeepTally.Core.Live;

namespace KeepTally.Core.Tests.Rules;

public sealed class EffectTests
{
    private static Sheet Match(string outcomes, string until = """{"points":7}""") =>
        Given.Started(
            Given.Card(
                $"\"play\":\"match\",\"scores\":\"side\",\"sides\":[\"x\",\"y\",\"z\"],\"ball\":\"x\",\"until\":[{until}]",
                outcomes
            ),
            "x",
            "y",
            "z"
        );

    [Fact]
    public void The_ball_goes_round_the_sides_and_off_the_ball_is_the_next_side()
    {
        var sheet = Match("""[{"id":"lost","by":"ball","does":["turnOver"]},{"id":"steal","by":"offBall","points":1}]""");

        sheet.Tap(null, "steal");
        sheet.Tap(null, "lost");
        sheet.Tap(null, "lost");
        sheet.Tap(null, "steal");

        Assert.Equal(("z", 1.0, 1.0), (sheet.Now().Ball?.Value, sheet.Now().Of("y").Points, sheet.Now().Of("x").Points));
    }

    [Fact]
    public void Losing_makes_the_best_ranked_other_the_winner()
    {
        var sheet = Match("""[{"id":"goal","points":1},{"id":"block","by":"ball","does":["lose"]}]""");
        sheet.Tap("z", "goal");
        sheet.Tap("x", "goal");
        sheet.Tap("x", "goal");

        sheet.Tap(null, "block");

        Assert.Equal((true, "z"), (sheet.Now().Done, sheet.Now().Winner?.Value));
    }

    [Fact]
    public void Winning_ends_the_sheet_at_once_and_what_comes_after_is_late()
    {
        var sheet = Match("""[{"id":"goal","points":1},{"id":"catch","does":["win"]}]""");
        sheet.Tap("y", "goal");

        sheet.Tap("x", "catch");
        sheet.Tap("y", "goal");

        Assert.Equal(("x", 1), (sheet.Now().Winner?.Value, sheet.Now().Late));
    }

    [Fact]
    public void A_reset_takes_own_points_to_nought_and_nobody_elses()
    {
        var sheet = Match("""[{"id":"goal","points":1},{"id":"gave-up","does":["reset"]}]""");
        sheet.Tap("x", "goal");
        sheet.Tap("y", "goal");

        sheet.Tap("x", "gave-up");

        Assert.Equal([0.0, 1.0, 0.0], sheet.Now().Units.Select(unit => unit.Points));
    }

    [Fact]
    public void Two_outs_and_over()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "until":[{"outs":2}]
                """,
                """[{"id":"caught","result":"failure","does":["out"]}]"""
            ),
            "a"
        );

        sheet.Tap("a", "caught");
        Assert.False(sheet.Now().Done);
        sheet.Tap("a", "caught");

        Assert.True(sheet.Now().Done);
    }
}
