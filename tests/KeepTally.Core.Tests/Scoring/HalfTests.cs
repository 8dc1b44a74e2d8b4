using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Scoring;

/// <summary>The score by half, where a clock has a break between two.</summary>
public sealed class HalfTests
{
    /// <summary>Two halves of a minute, twenty seconds between them.</summary>
    private static Sheet Match() =>
        Given.Started(
            Given.Card(""" "play":"match","clock":{"work":60,"rounds":2,"breakAfter":{"round":1,"seconds":20}} """),
            "a",
            "b"
        );

    private static (double?, double?) FirstHalf(Sheet sheet, long at)
    {
        var report = sheet.Score.Report(new Instant(at));
        return (report.Of("a").FirstHalf, report.Of("b").FirstHalf);
    }

    [Fact]
    public void The_last_ball_is_of_the_half_it_was_played_in_and_the_next_one_is_not()
    {
        var sheet = Match();
        sheet.Tap("a", "make", 10_000);
        Assert.Equal((null, null), FirstHalf(sheet, 59_999));
        Assert.Equal((1.0, 0.0), FirstHalf(sheet, 60_000));
        sheet.Tap("b", "make", 62_000);
        Assert.Equal((1.0, 1.0), FirstHalf(sheet, 70_000));
        sheet.Tap("b", "make", 81_000);
        Assert.Equal((1.0, 1.0), FirstHalf(sheet, 82_000));
        Assert.Equal(2, sheet.Now().Of("b").Points);
    }

    [Fact]
    public void Looked_at_after_all_is_over_it_is_what_it_was()
    {
        var sheet = Match();
        sheet.Tap("a", "make", 10_000);
        Assert.Equal((1.0, 0.0), FirstHalf(sheet, 500_000));
        sheet.Add(new RunEvent.Undo(new EventId(new DeviceId("x"), 1), new Instant(500_000), sheet.Log.Events[1].Id));
        Assert.Equal((0.0, 0.0), FirstHalf(sheet, 500_001));
    }

    [Fact]
    public void Work_that_was_added_is_of_the_half_it_was_added_to()
    {
        var sheet = Match();
        sheet.Add(new RunEvent.Add(new EventId(new DeviceId("x"), 1), new Instant(30_000), Duration.FromSeconds(30)));
        sheet.Tap("a", "make", 85_000);
        Assert.Equal((null, null), FirstHalf(sheet, 86_000));
        Assert.Equal((1.0, 0.0), FirstHalf(sheet, 120_000));
    }

    [Fact]
    public void A_break_skipped_ends_the_half()
    {
        var sheet = Match();
        sheet.Tap("a", "make", 10_000);
        sheet.Add(new RunEvent.Skip(new EventId(new DeviceId("x"), 1), new Instant(65_000), IntervalKind.Break, 1));
        sheet.Tap("a", "make", 66_000);
        Assert.Equal((1.0, 0.0), FirstHalf(sheet, 67_000));
    }

    [Fact]
    public void Without_a_break_there_are_no_halves()
    {
        var sheet = Given.Started(Given.Card(""" "play":"match","clock":{"work":60,"rounds":2} """), "a", "b").Taps("a+");
        Assert.Equal((null, null), FirstHalf(sheet, 100_000));
    }

    [Theory]
    [InlineData(30_000, "")]
    [InlineData(65_000, "at half-time")]
    [InlineData(90_000, "")]
    public void A_note_is_told_by_when_it_was_written(long at, string when)
    {
        var sheet = Match();
        sheet.Tap("a", "make", 200_000);
        Assert.Equal(when, BreakWords.At(sheet, new Instant(at)));
    }
}
