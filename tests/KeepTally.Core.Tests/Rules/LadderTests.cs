namespace KeepTally.Core.Tests.Rules;

public sealed class LadderTests
{
    private static string Ladder(string pass, string fail = "retry", string rungs = """["left","middle","right"]""") =>
        $$"""
            "ladder":{"rungs":{{rungs}},"pass":{{pass}},"fail":"{{fail}}"}
            """;

    [Fact]
    public void Five_of_seven_is_lost_at_the_third_miss()
    {
        // Common practice: seven throws leave room for two misses.
        var sheet = Given.Started(Given.Card(Ladder("""{"successes":5,"of":7,"stop":"fail"}""")), "a");

        sheet.Taps("a+ a- a+ a-");
        Assert.Equal(4, sheet.Now().Of("a").Window.Hits.Count);
        sheet.Taps("a-");

        Assert.Empty(sheet.Now().Of("a").Window.Hits);
        Assert.Equal(0, sheet.Now().Of("a").Cleared);
    }

    [Theory]
    [InlineData("none", 7)]
    [InlineData("fail", 7)]
    [InlineData("pass", 5)]
    [InlineData("both", 5)]
    public void A_window_won_early_closes_only_where_the_school_says_so(string stop, int attempts)
    {
        var sheet = Given.Started(Given.Card(Ladder($$"""{"successes":5,"of":7,"stop":"{{stop}}"}""")), "a");

        for (var made = 1; made <= 7 && sheet.Now().Of("a").Cleared == 0; made++)
        {
            sheet.Taps("a+");
        }

        Assert.Equal(attempts, sheet.Now().Of("a").Attempts);
    }

    [Theory]
    [InlineData("retry", 1, 0)]
    [InlineData("back", 0, 0)]
    [InlineData("first", 0, 0)]
    [InlineData("out", 1, 1)]
    public void A_window_closed_short_sends_the_unit_where_the_card_says(string fail, int rung, int outs)
    {
        var sheet = Given.Started(Given.Card(Ladder("""{"successes":2,"of":2}""", fail)), "a").Taps("a+ a+ a+ a-");

        Assert.Equal((rung, outs), (sheet.Now().Of("a").Rung, sheet.Now().Of("a").Outs));
    }

    [Fact]
    public void Ten_makes_at_each_of_five_spots_three_times_round_is_a_hundred_and_fifty()
    {
        // Common practice: 10 × 5 × 3.
        var card = Given.Card(
            """
            "ladder":{"rungs":["1","2","3","4","5"],"laps":3,"pass":{"successes":10}}
            """
        );
        var sheet = Given.Started(card, "a");
        while (!sheet.Now().Done)
        {
            sheet.Taps("a+");
        }

        Assert.Equal((150, 15, 3), (sheet.Now().Of("a").Successes, sheet.Now().Of("a").Cleared, sheet.Now().Of("a").Lap));
    }

    [Fact]
    public void In_a_row_means_a_miss_begins_the_rung_again()
    {
        var sheet = Given.Started(Given.Card(Ladder("""{"streak":3}""")), "a").Taps("a+ a+ a- a+ a+");
        Assert.Equal((0, 2), (sheet.Now().Of("a").Cleared, sheet.Now().Of("a").Window.Made));

        Assert.Equal(1, sheet.Taps("a+").Now().Of("a").Cleared);
    }

    [Fact]
    public void Reach_is_the_furthest_distance_cleared_however_far_one_falls_back()
    {
        var card = Given.Card(Ladder("""{"successes":1,"of":1}""", "back", """{"start":5,"step":0.5,"unit":"m"}"""));

        var unit = Given.Started(card, "a").Taps("a+ a+ a- a- a-").Now().Of("a");

        Assert.Equal((5.5, 0), (unit.Reach, unit.Rung));
    }
}
