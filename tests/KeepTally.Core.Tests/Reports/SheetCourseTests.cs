using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Reports;

/// <summary>What the pictures of a drill's course show, held to taps counted by hand, and each sentence to the figures under it.</summary>
public sealed class SheetCourseTests
{
    private static Sheet Match(string taps) =>
        Given
            .Started(Given.Card(""" "play":"match","scores":"side","sides":["plain","striped"] """), "plain", "striped")
            .TapSides(taps);

    private static LeadCourse Game(Sheet sheet) => Assert.Single(ScoredSheet.Of(sheet).Course.Games);

    [Fact]
    public void A_lead_that_never_goes_is_told_from_its_beginning()
    {
        var game = Game(Match("p p s p"));

        Assert.Equal([1, 2, 1, 2], game.Steps.Select(step => step.Lead));
        Assert.Equal("PLAIN led from 0:01 on, by 2 at most.", CourseText.Of(game));
        Assert.Empty(game.Changes);
    }

    [Fact]
    public void Level_in_between_is_no_change_of_hands_and_no_lead_from_on()
    {
        var game = Game(Match("s p s"));

        Assert.Equal("Only STRIPED was ever ahead, by 1 at most.", CourseText.Of(game));
        Assert.Empty(game.Changes);
    }

    [Fact]
    public void The_lead_changes_hands_when_the_other_goes_ahead()
    {
        var game = Game(Match("p s s p p p"));

        Assert.Equal([3, 5], game.Changes.Select(change => change.At.Milliseconds / 1000));
        Assert.Equal("The lead changed hands twice: PLAIN was ahead by 2 at most, STRIPED by 1.", CourseText.Of(game));
    }

    [Fact]
    public void An_undone_tap_moves_no_lead_and_is_marked_where_it_was()
    {
        var sheet = Match("p s s");
        sheet.Add(
            new RunEvent.Undo(
                new EventId(new DeviceId("t"), 90),
                sheet.Log.LastAt + Duration.FromSeconds(4),
                sheet.Log.Events[3].Id
            )
        );
        var game = Game(sheet);

        Assert.Equal([1, 0], game.Steps.Select(step => step.Lead));
        Assert.Equal(3000, Assert.Single(game.Undone).Milliseconds);
    }

    [Fact]
    public void No_match_has_no_lead() =>
        Assert.Empty(ScoredSheet.Of(Given.Started(Given.Card(""" "play":"together" """), "a", "b").Taps("a+")).Course.Games);

    [Fact]
    public void Goes_are_counted_by_minute_and_by_the_step_they_were_at()
    {
        var sheet = Given.Started(
            Given.Card(""" "play":"together","ladder":{"rungs":["near","far"],"pass":{"streak":2}} """),
            "a",
            "b"
        );
        foreach (
            var (unit, outcome, seconds) in new[] { ("a", "make", 10), ("a", "make", 20), ("b", "miss", 70), ("a", "miss", 190) }
        )
        {
            Assert.Null(sheet.Tap(unit, outcome, seconds * 1000));
        }

        var goes = ScoredSheet.Of(sheet).Course.Goes;
        var minutes = MinuteGoes.Of(goes);
        var places = LateGoes.ByPlace([(goes, Duration.FromSeconds(190))]);

        Assert.Equal(["near", "near", "near", "far"], goes.Select(go => go.Place));
        Assert.Equal([new Share(2, 2), new Share(0, 1), default, new Share(0, 1)], minutes.Select(minute => minute.Goes));
        Assert.Equal([new("near", new Share(2, 3), default), new("far", default, new Share(0, 1))], places);
        Assert.Equal("At no place was the share made clearly lower in the second half of the time.", CourseText.Places(places));
    }

    [Theory]
    [InlineData(9, 10, 1, 10, "The share made was lower in the second half of the time: 1 of 10, against 9 of 10 in the first.")]
    [InlineData(1, 10, 9, 10, "The share made was higher in the second half of the time: 9 of 10, against 1 of 10 in the first.")]
    [InlineData(5, 10, 4, 10, "5 of 10 made in the first half of the time, 4 of 10 in the second: no clear difference.")]
    [InlineData(9, 10, 10, 40, "The share made was lower in the second half of the time: 10 of 40, against 9 of 10 in the first.")]
    [InlineData(5, 10, 0, 0, "")]
    public void Halves_are_told_apart_only_where_they_can_be(int early, int earlyOf, int late, int lateOf, string told) =>
        Assert.Equal(told, CourseText.Halves(new LateGoes("", new Share(early, earlyOf), new Share(late, lateOf))));

    [Fact]
    public void A_place_that_breaks_late_is_named_with_its_figures()
    {
        LateGoes[] places =
        [
            new("left-corner", new Share(9, 10), new Share(1, 10)),
            new("middle", new Share(5, 10), new Share(5, 10)),
        ];

        Assert.Equal(
            "The share made was clearly lower in the second half of the time from left corner (9 of 10, then 1 of 10).",
            CourseText.Places(places)
        );
    }

    /// <summary>Whatever is tapped: the steps of the lead end where the report does, and every change of hands is a step that leads.</summary>
    [Fact]
    public void The_course_ends_as_the_report_does()
    {
        var draw = new Random(33);
        for (var i = 0; i < 200; i++)
        {
            var sheet = Match(string.Join(' ', Enumerable.Range(0, draw.Next(1, 30)).Select(_ => draw.Next(2) == 0 ? "p" : "s")));
            var (game, report) = (Game(sheet), sheet.Now());

            Assert.Equal(report.Of("plain").Points - report.Of("striped").Points, game.Steps[^1].Lead);
            Assert.All(game.Changes, change => Assert.NotEqual(0, change.Lead));
            Assert.Equal(game.FirstBy > 0 && game.SecondBy > 0, game.Changes.Count > 0);
        }
    }
}

/// <summary>Taps of sides a second apart.</summary>
file static class Sides
{
    internal static Sheet TapSides(this Sheet sheet, string taps)
    {
        foreach (var side in taps.Split(' '))
        {
            Assert.Null(sheet.Tap(side == "p" ? "plain" : "striped", "make"));
        }

        return sheet;
    }
}
