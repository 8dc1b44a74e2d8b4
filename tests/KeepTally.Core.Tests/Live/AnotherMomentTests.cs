using CsCheck;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>"Twenty more seconds": the work under way, or that was last, goes on for another moment.</summary>
public sealed class AnotherMomentTests
{
    private static readonly SheetId Only = new("s");

    /// <summary>Three in turns of ten seconds, five to change.</summary>
    private readonly Sheet _sheet = Given.Open(
        Given.Card(
            """
            "scores":"player","play":"turns","until":[{"seconds":10,"after":"finish"}],"clock":{"work":10,"change":5,"rounds":3},
            "places":[{"id":"shoot","size":1,"scores":true},{"id":"line","kind":"line"}],
            "moves":[{"from":"shoot","to":"line"},{"from":"line","to":"shoot"}],"rotate":{"on":"turn"}
            """
        ),
        "a",
        "b",
        "c"
    );

    private static LivePractice Begun(Sheet sheet)
    {
        var practice = new LivePractice(new DeviceId("coach"), [new LiveRun("", [new RunSheet(Only, "", sheet)])]);
        practice.Execute(RunCommand.Start, Instant.Origin);
        return practice;
    }

    private static Instant At(double seconds) => new((long)(seconds * 1000));

    private static void Make(LivePractice practice, double second)
    {
        practice.AppendDue(At(second));
        practice.Tap(Only, new TapCommand(null, "make"), At(second));
    }

    [Fact]
    public void In_the_change_the_turn_goes_on_with_the_player_who_had_it()
    {
        var practice = Begun(_sheet);
        Make(practice, 9);
        practice.AppendDue(At(12));
        Assert.Single(practice.Execute(RunCommand.Add, At(12)));
        Make(practice, 30);
        practice.AppendDue(At(36));
        Assert.Equal(("a", 2), (_sheet.Score.Turn?.Value, _sheet.Now().Of("a").Points));
        Make(practice, 37);

        // The work ended at 32 instead of 10, so the next begins at 37; what was played in the change was play.
        Assert.Equal(("b", 1), (_sheet.Score.Turn?.Value, _sheet.Now().Of("b").Points));
        Assert.Equal(32, _sheet.Now().Of("a").Running.TotalSeconds);
        Assert.Equal(32, _sheet.JobsOf(new("a"), At(40)).First(job => job.Job == "shoot").Time.TotalSeconds);
        Assert.Equal(10 + 22 + 5 + 10 + 5 + 10, _sheet.Timeline!.Plan.Total.TotalSeconds);
    }

    [Fact]
    public void A_player_who_was_given_the_turn_by_hand_in_the_change_has_the_moment()
    {
        var practice = Begun(_sheet);
        practice.AppendDue(At(11));
        practice.Execute(RunCommand.Turn, At(11));
        practice.Execute(RunCommand.Add, At(12));
        Make(practice, 20);
        practice.AppendDue(At(37));

        // b plays from 12 to 32, and the clock passes on to c at 37.
        Assert.Equal(
            ("c", 1, 20.0),
            (_sheet.Score.Turn?.Value, _sheet.Now().Of("b").Points, _sheet.Now().Of("b").Running.TotalSeconds)
        );
    }

    [Fact]
    public void It_can_be_taken_back()
    {
        var practice = Begun(_sheet);
        var added = practice.Execute(RunCommand.Add, At(4))[0];
        Assert.Equal(30, _sheet.Timeline!.Plan.WorkEnd(1).Milliseconds / 1000);
        practice.Undo(Only, added.Event.Id, At(5));
        Make(practice, 16);

        Assert.Equal("b", _sheet.Score.Turn?.Value);
    }

    [Fact]
    public void A_limit_that_cuts_cuts_so_much_later()
    {
        var sheet = Given.Open(
            Given.Card(""" "scores":"player","play":"together","until":[{"seconds":10}],"clock":{"work":10,"rounds":1} """),
            "a"
        );
        var practice = Begun(sheet);
        practice.Execute(RunCommand.Add, At(8));
        sheet.Tap("a", "make", 29_000);
        sheet.Tap("a", "make", 30_500);

        Assert.Equal((1, 1, 30.0), (sheet.Now().Of("a").Points, sheet.Now().Late, sheet.Now().Running.SinceStart.TotalSeconds));
    }

    [Fact]
    public void After_the_last_horn_it_goes_on_from_now()
    {
        var sheet = Given.Open(ShippedCard.Read("minute-trios"), "a", "b", "c");
        var practice = Begun(sheet);
        practice.AppendDue(At(220));
        Assert.Equal(IntervalKind.Over, sheet.Timeline!.At(sheet.Score.Clock.At(At(220))).Kind);
        practice.Execute(RunCommand.Add, At(220));

        var interval = sheet.Timeline!.At(sheet.Score.Clock.At(At(220)));
        Assert.Equal((IntervalKind.Work, 3, 240), (interval.Kind, interval.Round, interval.End.Milliseconds / 1000));
    }

    /// <summary>Whatever is added or taken, intervals follow without a gap and work never ends before now.</summary>
    [Fact]
    public void Time_added_or_taken_leaves_a_whole_timeline()
    {
        var plan = ShippedCard.Read("two-halves").Stages[0].Clock!;
        Gen.Select(Gen.Int[0, 700], Gen.Int[-60, 60])
            .Array[1, 6]
            .Sample(words =>
            {
                var now = plan;
                foreach (var (second, by) in words.OrderBy(word => word.Item1))
                {
                    var elapsed = ClockTime.Zero + Duration.FromSeconds(second);
                    now = now.Longer(elapsed, Duration.FromSeconds(by));
                    var timeline = new Timeline(now);
                    Assert.All(
                        timeline.Intervals.Zip(timeline.Intervals.Skip(1)),
                        pair => Assert.Equal(pair.First.End, pair.Second.Start)
                    );
                    Assert.Equal(now.Total, timeline.Intervals[^1].Start - ClockTime.Zero);
                    Assert.All(
                        timeline.Intervals.Where(interval => interval.Kind == IntervalKind.Work),
                        work => Assert.Equal(now.WorkEnd(work.Round), work.End)
                    );
                    if (by > 0)
                    {
                        var at = timeline.At(elapsed);
                        Assert.True(at.Kind is IntervalKind.Work or IntervalKind.CountIn);
                        Assert.True(at.Kind == IntervalKind.CountIn || at.End - elapsed >= Duration.FromSeconds(by));
                    }
                }
            });
    }
}
