using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Scoring;

/// <summary>Questions of the rules that were settled. Source: docs/formats.md, section 2.</summary>
public sealed class SettledTests
{
    private const string MissIsOut = """
        [{"id":"make","label":"Make","result":"success","points":1},{"id":"miss","label":"Miss","result":"failure","does":["out"]}]
        """;

    [Fact]
    public void A_match_ended_by_outs_is_lost_by_the_side_that_reached_them()
    {
        var match = Given
            .Started(
                Given.Card(
                    """
                    "play":"match","scores":"side","sides":["a","b"],"until":[{"outs":2}]
                    """,
                    MissIsOut
                ),
                "a",
                "b"
            )
            .Taps("a+ a+ a+ b+ a- a-");

        Assert.Equal((true, "b"), (match.Now().Done, match.Now().Winner?.Value));
    }

    [Fact]
    public void Of_three_sides_the_best_of_the_others_wins_and_without_others_nobody()
    {
        const string Stage = """
            "play":"match","scores":"side","sides":["a","b","c"],"until":[{"outs":1}]
            """;
        var match = Given.Started(Given.Card(Stage, MissIsOut), "a", "b", "c").Taps("c+ c+ b+ a-");

        Assert.Equal("c", match.Now().Winner?.Value);
    }

    [Fact]
    public void In_turns_an_out_still_ends_only_the_one_who_is_out()
    {
        var turns = Given
            .Started(
                Given.Card(
                    """
                    "play":"turns","until":[{"outs":1}]
                    """,
                    MissIsOut
                ),
                "a",
                "b"
            )
            .Taps("a+ a-");

        Assert.Equal((true, false), (turns.Now().Of("a").Done, turns.Now().Done));
    }

    [Fact]
    public void An_end_closes_a_sheet_that_never_started()
    {
        var sheet = Given.Open(Given.Card(""), "a");
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("d"), 1), new Instant(5)));

        Assert.Equal((true, false), (sheet.Now().Done, sheet.Now().Started));
    }

    [Fact]
    public void A_teaching_stop_counts_only_between_start_and_end_and_a_second_closes_the_first()
    {
        var sheet = Given.Open(Given.Card(""), "a");
        var n = 0;
        void Say(Func<EventId, RunEvent> make) => sheet.Add(make(new EventId(new DeviceId("d"), ++n)));
        Say(id => new RunEvent.Freeze(id, new Instant(0), "early"));
        Say(id => new RunEvent.Start(id, new Instant(1000)));
        Say(id => new RunEvent.Freeze(id, new Instant(2000), "spacing"));
        Say(id => new RunEvent.Freeze(id, new Instant(5000), "effort"));
        Say(id => new RunEvent.Resume(id, new Instant(9000)));
        Say(id => new RunEvent.End(id, new Instant(10_000)));
        Say(id => new RunEvent.Freeze(id, new Instant(11_000), "late"));

        Assert.Equal(
            [("spacing", 1, 3000L), ("effort", 1, 4000L)],
            sheet.Score.Report(new Instant(20_000)).Freezes.Select(each => (each.Reason, each.Count, each.Stood.Milliseconds))
        );
    }

    [Fact]
    public void What_comes_after_win_in_one_outcome_still_counts_and_the_winner_stands()
    {
        var sheet = Given
            .Started(
                Given.Card(
                    "",
                    """[{"id":"make","label":"Make","result":"success","does":["win","out","leave","lose"]},{"id":"miss","label":"Miss"}]"""
                ),
                "a",
                "b"
            )
            .Taps("a+");

        var unit = sheet.Now().Of("a");
        Assert.Equal(("a", 1, 1), (sheet.Now().Winner?.Value, unit.Outs, unit.Place));
    }

    [Fact]
    public void In_turns_the_first_has_the_turn_before_the_start_too() =>
        Assert.Equal("a", Given.Open(Given.Card("\"play\":\"turns\""), "a", "b").Now().Turn?.Value);

    [Fact]
    public void An_undo_in_the_millisecond_of_what_it_undoes_reaches_it_whatever_the_devices_are_called()
    {
        var card = Given.Card("");
        var (a, b) = (Given.Started(card, "a"), Given.Started(card, "a"));
        LivePractice On(string device, Sheet sheet) =>
            new(new DeviceId(device), [new LiveRun("one", [new RunSheet(new SheetId("s"), "", sheet)])]);
        var tap = On("b", b).Tap(new SheetId("s"), new TapCommand(new PlayerId("a"), "make"), new Instant(7000)).Require();
        a.Receive(tap[0].Event);

        var undo = On("a", a).Undo(new SheetId("s"), tap[0].Event.Id, new Instant(7000));
        b.Receive(undo[0].Event);

        Assert.Equal((0.0, 0.0), (a.Now().Of("a").Points, b.Now().Of("a").Points));
    }

    [Fact]
    public void A_clock_word_and_its_answer_in_one_millisecond_leave_the_clock_as_said_last()
    {
        var sheet = Given.Started(Given.Card(""), "a");
        var practice = new LivePractice(new DeviceId("z"), [new LiveRun("one", [new RunSheet(new SheetId("s"), "", sheet)])]);
        practice.Execute(RunCommand.Pause, new Instant(5000));
        practice.Execute(RunCommand.Resume, new Instant(5000));

        Assert.False(sheet.Score.Clock.IsPaused);
        Assert.Equal(new RunningTime(8999), sheet.Score.Report(new Instant(9000)).Running);
    }

    [Fact]
    public void A_window_of_more_than_sixty_four_is_told_rightly()
    {
        var card = Given.Card(
            """
            "ladder":{"rungs":["l"],"pass":{"successes":70,"of":80,"stop":"both"} }
            """
        );
        var sheet = Given.Started(card, "a").Taps(string.Join(' ', Enumerable.Repeat("a+", 69).Concat(Enumerable.Repeat("a-", 5))));

        Assert.Equal((69, 74), (sheet.Now().Of("a").Window.Made, sheet.Now().Of("a").Window.Taken));
        var before = sheet.Score.Snapshot(sheet.Log.LastAt + new Duration(1000));
        var tap = new RunEvent.Tap(
            new EventId(new DeviceId("w"), 1),
            sheet.Log.LastAt + new Duration(1000),
            new PlayerId("a"),
            "miss",
            null,
            null,
            null
        );
        sheet.Add(tap);

        Assert.StartsWith(
            "69 made of 75;",
            Core.Words.TapWords.Explain(sheet, tap, before, sheet.Score.Snapshot(tap.At)),
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(5000, null)]
    [InlineData(5001, "at")]
    [InlineData(10_800_000, "at")]
    public void A_moment_is_let_in_as_far_as_the_allowance_goes(long ahead, string? fault)
    {
        var gate = new EventGate(new LogHead("d", 0, new Dictionary<string, string>(), [new Unit(new PlayerId("a"), "Ada", [])]));

        Assert.Equal(
            fault,
            gate.Check(
                new RunEvent.Start(new EventId(new DeviceId("d"), 1), new Instant(100_000 + ahead)),
                new Instant(100_000)
            )?.Path
        );
    }

    [Theory]
    [InlineData("""{"device":"d","n":1,"at":5,"type":"tap","unit":"a","device":"d"}""")]
    [InlineData("""{"device":"d","n":1,"at":5,"type":"tap","colour":"red"}""")]
    [InlineData("""{"device":"d","n":1.5,"at":5,"type":"start"}""")]
    [InlineData("""{"device":"d","n":1,"at":5,"type":"start","unit":"a"}""")]
    [InlineData("""{"device":"d","n":1,"at":5,"type":"start"} x""")]
    [InlineData("""{"n":1,"at":5,"type":"start"}""")]
    [InlineData("""[]""")]
    public void What_one_reading_refuses_the_other_refuses(string line) =>
        Assert.Equal(
            EventReader.ReadClosely(line).Faults.Select(fault => fault.ToString()),
            EventReader.Read(line).Faults.Select(fault => fault.ToString())
        );
}
