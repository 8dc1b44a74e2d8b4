using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Rules;

public sealed class EndingTests
{
    [Fact]
    public void To_eleven_by_two_goes_on_at_ten_all_and_at_eleven_ten()
    {
        var card = Given.Card(
            """
            "play":"match","scores":"side","sides":["x","y"],"until":[{"points":11,"lead":2}]
            """
        );
        var sheet = Given.Started(card, "x", "y").Taps(string.Join(' ', Enumerable.Repeat("x+ y+", 10)) + " x+");
        Assert.False(sheet.Now().Done);

        sheet.Taps("y+ x+ x+");

        Assert.Equal(
            (true, "x", 13.0, 11.0),
            (sheet.Now().Done, sheet.Now().Winner?.Value, sheet.Now().Of("x").Points, sheet.Now().Of("y").Points)
        );
    }

    [Fact]
    public void Attempts_are_summed_over_the_sides_of_a_match_but_counted_for_each_player_together()
    {
        const string Until = """
            "until":[{"attempts":4}]
            """;
        var match = Given
            .Started(Given.Card(""" "play":"match","scores":"side","sides":["x","y"], """ + Until), "x", "y")
            .Taps("x+ y+ x- y-");
        var together = Given.Started(Given.Card(Until), "a", "b").Taps("a+ b+ a- b-");

        Assert.True(match.Now().Done);
        Assert.False(together.Now().Done);
        Assert.True(together.Taps("a- a-").Now().Of("a").Done);
    }

    [Theory]
    [InlineData(60_000, true)]
    [InlineData(60_001, false)]
    public void A_tap_on_the_last_millisecond_counts_and_one_after_it_is_late(long at, bool counts)
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "until":[{"seconds":60}]
                """
            ),
            "a"
        );

        sheet.Tap("a", "make", at);

        Assert.Equal((counts ? 1 : 0, counts ? 0 : 1), (sheet.Now().Of("a").Attempts, sheet.Now().Late));
    }

    [Fact]
    public void With_finish_the_play_under_way_counts_until_the_end_is_called()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "until":[{"seconds":60,"after":"finish"}]
                """
            ),
            "a"
        );

        sheet.Tap("a", "make", 63_000);
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("s"), 2), new Instant(65_000)));
        sheet.Tap("a", "make", 66_000);

        Assert.Equal((1, 1, 65_000), (sheet.Now().Of("a").Attempts, sheet.Now().Late, sheet.Now().Running.Milliseconds));
    }

    [Fact]
    public void Pauses_and_teaching_stops_are_no_running_time()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "until":[{"seconds":60}]
                """
            ),
            "a"
        );
        sheet.Add(new RunEvent.Pause(new EventId(new DeviceId("s"), 2), new Instant(10_000)));
        sheet.Add(new RunEvent.Pause(new EventId(new DeviceId("s"), 3), new Instant(15_000)));
        sheet.Add(new RunEvent.Resume(new EventId(new DeviceId("s"), 4), new Instant(30_000)));
        sheet.Add(new RunEvent.Freeze(new EventId(new DeviceId("s"), 5), new Instant(40_000), "spacing"));
        sheet.Add(new RunEvent.Resume(new EventId(new DeviceId("s"), 6), new Instant(55_000)));

        Assert.Equal(
            (20_000L, 60_000L),
            (
                sheet.Score.Report(new Instant(55_000)).Running.Milliseconds,
                sheet.Score.Report(new Instant(200_000)).Running.Milliseconds
            )
        );
        Assert.Equal(new FreezeReport("spacing", 1, new Duration(15_000)), Assert.Single(sheet.Now().Freezes));
    }

    [Fact]
    public void The_count_in_is_before_the_sheet_starts()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "until":[{"seconds":60}],"clock":{"work":60,"countIn":5}
                """
            ),
            "a"
        );

        sheet.Tap("a", "make", 4_999);
        sheet.Tap("a", "make", 65_000);

        Assert.Equal((1, 1, 60_000), (sheet.Now().Late, sheet.Now().Of("a").Attempts, sheet.Now().Running.Milliseconds));
    }

    [Fact]
    public void A_tap_before_the_start_or_after_the_end_is_late_and_changes_nothing()
    {
        var sheet = Given.Open(Given.Card(""), "a");

        sheet.Tap("a", "make", 0);
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(10)));
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("s"), 2), new Instant(20)));
        sheet.Tap("a", "make", 30);

        Assert.Equal((2, 0.0), (sheet.Now().Late, sheet.Now().Of("a").Points));
    }
}
