using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

public sealed class PracticeTests
{
    private static readonly DrillCard Trio = Given.Card(
        """
        "clock":{"work":60,"change":15,"rounds":3,"countIn":5},
        "places":[{"id":"shoot","size":1,"scores":true},{"id":"rebound"},{"id":"feed"}],
        "moves":[{"from":"shoot","to":"rebound"},{"from":"rebound","to":"feed"},{"from":"feed","to":"shoot"}],
        "rotate":{"on":"round"}
        """
    );

    private static LivePractice Practice(string device = "me") =>
        new(
            new DeviceId(device),
            [
                new LiveRun(
                    "one",
                    [
                        new RunSheet(new SheetId("s1"), "", Given.Open(Trio, "a", "b", "c")),
                        new RunSheet(new SheetId("s2"), "", Given.Open(Trio, "d", "e", "f")),
                    ]
                ),
                new LiveRun("two", [new RunSheet(new SheetId("s3"), "", Given.Open(Given.Card(""), "a", "b"))]),
            ]
        );

    [Fact]
    public void Clock_words_are_said_on_every_sheet_of_the_drill_and_only_once()
    {
        var practice = Practice();

        Assert.Equal(
            ["s1", "s2"],
            practice.Execute(RunCommand.Start, new Instant(1000)).Select(sheetEvent => sheetEvent.Sheet).Select(id => id.Value)
        );
        Assert.Empty(practice.Execute(RunCommand.Start, new Instant(2000)));
        Assert.Empty(practice.Execute(RunCommand.Resume, new Instant(2000)));
        Assert.Equal(2, practice.Execute(RunCommand.Pause, new Instant(3000)).Count);
        Assert.Empty(practice.Execute(RunCommand.Pause, new Instant(4000)));
    }

    [Fact]
    public void The_end_of_a_round_moves_places_on_once_however_late_and_by_whomever_it_is_noticed()
    {
        var (mine, yours) = (Practice("mine"), Practice("yours"));
        foreach (var sheetEvent in mine.Execute(RunCommand.Start, new Instant(0)))
        {
            yours.Receive(sheetEvent.Sheet, sheetEvent.Event);
        }

        Assert.Empty(mine.AppendDue(new Instant(79_999)));
        var early = mine.AppendDue(new Instant(80_000));
        var late = yours.AppendDue(new Instant(154_000));
        foreach (var sheetEvent in early)
        {
            yours.Receive(sheetEvent.Sheet, sheetEvent.Event);
        }

        Assert.Equal(early, late);
        Assert.All(early, sheetEvent => Assert.Equal(new Instant(80_000), sheetEvent.Event.At));
        Assert.Equal(["c"], yours.Runs[0].Sheets[0].Sheet.Floor.Now.At("shoot").Select(id => id.Value));
        Assert.Equal(2, yours.AppendDue(new Instant(155_000)).Count);
        Assert.Empty(yours.AppendDue(new Instant(10_000_000)));
    }

    [Fact]
    public void A_pause_shifts_the_end_of_the_round_by_exactly_its_length()
    {
        var practice = Practice();
        practice.Execute(RunCommand.Start, new Instant(0));
        practice.Execute(RunCommand.Pause, new Instant(30_000));
        practice.Execute(RunCommand.Resume, new Instant(41_500));

        Assert.Empty(practice.AppendDue(new Instant(91_499)));
        Assert.All(practice.AppendDue(new Instant(91_500)), sheetEvent => Assert.Equal(new Instant(91_500), sheetEvent.Event.At));
    }

    [Fact]
    public void In_the_change_over_the_last_ball_belongs_to_the_player_who_threw_it()
    {
        var practice = Practice();
        practice.Execute(RunCommand.Start, new Instant(0));
        var sheet = practice.Find(new SheetId("s1"))!;

        PlayerId? Slot(long at)
        {
            practice.AppendDue(new Instant(at));
            return ScoringSlots.At(sheet.Stage, sheet.Head.Units, sheet.Floor)[0];
        }

        Assert.Equal(("a", "c"), (Slot(66_000)?.Value, Slot(80_000)?.Value));
    }

    [Fact]
    public void Ending_a_drill_goes_on_to_the_next_and_can_be_taken_back()
    {
        var practice = Practice();
        practice.Execute(RunCommand.Start, new Instant(0));
        practice.Tap(new SheetId("s1"), new TapCommand(new PlayerId("a"), "make"), new Instant(10_000));
        practice.Execute(RunCommand.End, new Instant(20_000));
        Assert.Equal(1, practice.Current);

        practice.Execute(RunCommand.Back, new Instant(21_000));

        Assert.Equal(0, practice.Current);
        Assert.False(practice.Find(new SheetId("s1"))!.Score.Report(new Instant(21_000)).Done);
        practice.Execute(RunCommand.End, new Instant(22_000));
        practice.Execute(RunCommand.End, new Instant(23_000));
        Assert.Equal(2, practice.Current);
        Assert.Empty(practice.Execute(RunCommand.Start, new Instant(24_000)));
    }

    [Fact]
    public void A_tap_taken_back_can_be_put_back_and_taken_back_again()
    {
        var practice = Practice();
        practice.Execute(RunCommand.Start, new Instant(0));
        var appended = practice.Tap(new SheetId("s1"), new TapCommand(new PlayerId("a"), "make"), new Instant(10_000)).Require();
        var tap = appended[0].Event.Id;

        double Points() => practice.Find(new SheetId("s1"))!.Score.Report(new Instant(20_000)).Of("a").Points;

        practice.Undo(new SheetId("s1"), tap, new Instant(11_000));
        Assert.Equal(0, Points());
        practice.Undo(new SheetId("s1"), tap, new Instant(12_000));
        Assert.Equal(1, Points());
        practice.Undo(new SheetId("s1"), tap, new Instant(13_000));
        Assert.Equal(0, Points());
        Assert.Empty(practice.Undo(new SheetId("s1"), new EventId(new DeviceId("nobody"), 9), new Instant(14_000)));
    }

    [Fact]
    public void Every_event_is_stamped_after_all_that_were_seen_so_that_an_answer_never_ties_with_what_it_answers()
    {
        var practice = Practice();
        practice.Receive(new SheetId("s1"), new RunEvent.Start(new EventId(new DeviceId("other"), 1), new Instant(5_000)));

        var appended = practice.Tap(new SheetId("s1"), new TapCommand(new PlayerId("a"), "make"), new Instant(3_000)).Require();

        Assert.Equal(new Instant(5_001), appended[0].Event.At);
    }
}
