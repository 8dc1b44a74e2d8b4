using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Live;

/// <summary>Who comes late, limps off, comes back or changes places while the drill goes on.</summary>
public sealed class ComingAndGoingTests
{
    private static readonly DrillCard FreeShots = Given.Card(
        """
        "until":[{"attempts":3}]
        """
    );

    private static readonly DrillCard InTurns = Given.Card(
        """
        "play":"turns","until":[{"attempts":2}]
        """
    );

    private static Sheet Sub(Sheet sheet, string? gone, string? comes, long? at = null)
    {
        Assert.Null(
            sheet.Add(
                new RunEvent.Substitution(
                    new EventId(new DeviceId("u"), sheet.Log.Events.Count + 1),
                    at is { } given ? new Instant(given) : sheet.Log.LastAt + Duration.FromSeconds(1),
                    Given.Player(gone),
                    Given.Player(comes)
                )
            )
        );
        return sheet;
    }

    [Fact]
    public void A_late_one_scores_from_then_on()
    {
        var sheet = Sub(Given.Started(FreeShots, "a", "b").Taps("a+"), null, "c").Taps("c+ c-");

        Assert.Equal(["a", "b", "c"], sheet.Now().Units.Select(unit => unit.Id).Select(id => id.Value));
        Assert.Equal((1, 2), ((int)sheet.Now().Of("c").Points, sheet.Now().Of("c").Attempts));
        Assert.Equal(new Duration(2000), sheet.Now().Of("c").Running);
    }

    [Fact]
    public void Who_limps_off_keeps_the_score_and_holds_nobody_up()
    {
        var sheet = Sub(Given.Started(FreeShots, "a", "b").Taps("a+ b+ b+ b+"), "a", null);

        Assert.True(sheet.Now().Done);
        Assert.Equal((1, true), ((int)sheet.Now().Of("a").Points, sheet.Now().Of("a").Off));
    }

    [Fact]
    public void Who_comes_back_goes_on_and_the_time_away_is_not_theirs()
    {
        var sheet = Given.Started(FreeShots, "a", "b").Taps("a+");
        Sub(sheet, "a", null, 10_000);
        Sub(sheet, null, "a", 25_000);
        sheet.Tap("a", "make", 30_000);

        Assert.Equal((2, 15_000), ((int)sheet.Now().Of("a").Points, sheet.Now().Of("a").Running.Milliseconds));
        Assert.Equal(new Duration(30_000), sheet.Now().Of("b").Running);
    }

    [Fact]
    public void Where_everyone_has_gone_off_the_sheet_waits_for_them()
    {
        var sheet = Sub(Given.Started(FreeShots, "a").Taps("a+"), "a", null);

        Assert.False(sheet.Now().Done);
        Assert.True(Sub(sheet, null, "a").Taps("a+ a+").Now().Done);
    }

    [Fact]
    public void The_turn_of_who_goes_off_passes_to_the_player_who_came_in_for_them_else_to_the_next()
    {
        var alone = Sub(Given.Started(InTurns, "a", "b", "c").Taps("a+"), "a", null);
        var replaced = Sub(Given.Started(InTurns, "a", "b", "c").Taps("a+"), "a", "d");

        Assert.Equal("b", alone.Now().Turn?.Value);
        Assert.Equal("d", replaced.Now().Turn?.Value);
        Assert.Equal("c", Sub(alone, null, "a").Taps("b+ b+").Now().Turn?.Value);
    }

    [Fact]
    public void A_tap_for_a_player_who_has_not_come_in_is_late_and_for_a_stranger_is_wrong()
    {
        var head = new LogHead(
            "d",
            0,
            FreeShots.Chosen,
            [new Unit(new PlayerId("a"), "A", [])],
            0,
            [new Member(new PlayerId("b"), "Bea")]
        );
        var sheet = Sheet.Open(FreeShots, head).Require();
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)));

        Assert.Null(sheet.Tap("b", "make"));
        Assert.NotNull(sheet.Tap("z", "make"));
        Assert.Equal((1, 1), (sheet.Now().Late, sheet.Now().Units.Count));
        Assert.Equal("Bea", Sub(sheet, null, "b").Units[1].Name);
    }

    [Fact]
    public void Taken_back_it_is_as_if_nobody_had_gone()
    {
        var sheet = Given.Started(FreeShots, "a", "b").Taps("a+ b+ b+ b+");
        Sub(sheet, "a", null);
        var substitution = sheet.Log.Events[^1];
        sheet.Add(new RunEvent.Undo(new EventId(new DeviceId("z"), 1), substitution.At + new Duration(1), substitution.Id));

        Assert.False(sheet.Now().Done);
        Assert.False(sheet.Now().Of("a").Off);
    }

    [Fact]
    public void Groups_are_fixed_too_and_alone_the_smallest_takes_who_comes()
    {
        var card = Given.Card(
            """
            "scores":"group"
            """
        );
        var head = new LogHead("d", 0, card.Chosen, [Group("g1", "a", "b", "c"), Group("g2", "d", "e"), Group("g3", "f", "g")]);
        var sheet = Sheet.Open(card, head).Require();

        Sub(sheet, null, "x");
        Assert.Equal("abc dex fg", Groups(sheet));
        Sub(sheet, "a", "y");
        Assert.Equal("ybc dex fg", Groups(sheet));
        Sub(sheet, "y", "g");
        Assert.Equal("gbc dex fy", Groups(sheet));
        Sub(sheet, "d", null);
        Assert.Equal("gbc ex fy", Groups(sheet));

        static Unit Group(string id, params string[] players) =>
            new(new PlayerId(id), id, [.. players.Select(player => new Member(new PlayerId(player), player))]);

        static string Groups(Sheet sheet) =>
            string.Join(' ', sheet.Units.Select(unit => string.Concat(sheet.Score.Roster.Of(unit.Id))));
    }

    [Fact]
    public void Reps_are_counted_job_by_job()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "places":[{"id":"s","size":1,"role":"shooter","scores":true},{"id":"f","size":1,"role":"feeder"}],
                "moves":[{"from":"s","to":"f"},{"from":"f","to":"s"}],"rotate":{"on":"attempts"}
                """
            ),
            "a",
            "b"
        );

        sheet.Taps("a+ b- a+ b+");
        Sub(sheet, "a", "c");

        JobTime Job(string player, string job) =>
            sheet.JobsOf(new PlayerId(player), sheet.Log.LastAt).Single(each => each.Job == job);

        // Each has shot twice; a came to shoot a third time and has not yet.
        Assert.Equal((2, 2), (Job("a", "shooter").Reps, Job("a", "feeder").Reps));
        Assert.Equal((2, 2), (Job("b", "shooter").Reps, Job("b", "feeder").Reps));
        Assert.Equal(0, Job("c", "shooter").Reps);
        Assert.Equal("", JobWords.Done(sheet, sheet.JobsOf(new PlayerId("c"), sheet.Log.LastAt)));
        Assert.Equal("shooter 2 reps, feeder 2 reps", JobWords.Of(sheet, sheet.JobsOf(new PlayerId("a"), sheet.Log.LastAt)));
    }

    [Fact]
    public void Where_a_clock_runs_jobs_are_told_by_the_work_in_them_without_the_changes()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "clock":{"work":60,"change":15,"rounds":3},
                "places":[{"id":"s","size":1,"role":"shooter","scores":true},{"id":"f","size":1,"role":"feeder"}],
                "moves":[{"from":"s","to":"f"},{"from":"f","to":"s"}],"rotate":{"on":"round"}
                """
            ),
            "a",
            "b"
        );
        sheet.Tap("a", "make", 5000);
        sheet.Tap("a", "make", 6000);
        foreach (var due in sheet.Due(new Instant(170_000)).ToArray())
        {
            sheet.Add(due);
        }

        Assert.Equal("shooter 1:20, feeder 1:00", JobWords.Of(sheet, sheet.JobsOf(new PlayerId("a"), new Instant(170_000))));
        Assert.Equal("feeder 1:20, shooter 1:00", JobWords.Of(sheet, sheet.JobsOf(new PlayerId("b"), new Instant(170_000))));
    }
}
