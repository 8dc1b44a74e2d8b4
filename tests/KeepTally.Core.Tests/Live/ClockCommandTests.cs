using CsCheck;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>What a coach says to the clock besides start and stop: less time, on to the next, again, one more.</summary>
public sealed class ClockCommandTests
{
    private static readonly SheetId Only = new("s");

    /// <summary>Three rounds of twenty seconds with ten to change: work 0, 30 and 60, over at 80.</summary>
    private readonly Sheet _sheet = Given.Open(
        Given.Card(""" "until":[{"seconds":80}],"clock":{"work":20,"change":10,"rounds":3} """),
        "a",
        "b"
    );

    private readonly LivePractice _practice;

    public ClockCommandTests()
    {
        _practice = new LivePractice(new DeviceId("coach"), [new LiveRun("", [new RunSheet(Only, "", _sheet)])]);
        _practice.Execute(RunCommand.Start, Instant.Origin);
    }

    private static Instant At(double seconds) => new((long)(seconds * 1000));

    private string ClockAt(double second)
    {
        var interval = _sheet.Timeline!.At(_sheet.Score.Clock.At(At(second)));
        return $"{interval.Kind} {interval.Round} to {(interval.Kind == IntervalKind.Over ? 0 : interval.End.Milliseconds / 1000)}";
    }

    [Fact]
    public void The_rest_is_skipped_once_though_two_say_so()
    {
        Assert.Single(_practice.Execute(RunCommand.Skip, At(25)));
        Assert.Equal("Work 2 to 45", ClockAt(25));

        // The other device had not heard of it yet.
        _sheet.Add(new RunEvent.Skip(new EventId(new DeviceId("other"), 1), At(25.2), IntervalKind.Change, 1));
        Assert.Equal("Work 2 to 45", ClockAt(26));
        _sheet.Tap("a", "make", 74_000);
        _sheet.Tap("a", "make", 76_000);
        Assert.Equal((1.0, 1), (_sheet.Now().Of("a").Points, _sheet.Now().Late));
    }

    [Fact]
    public void Work_is_stopped_and_begun_again_by_undo()
    {
        var skipped = _practice.Execute(RunCommand.Skip, At(12))[0];
        Assert.Equal("Change 1 to 22", ClockAt(12));
        _practice.Undo(Only, skipped.Event.Id, At(13));
        Assert.Equal("Work 1 to 20", ClockAt(13));
    }

    [Fact]
    public void Time_is_taken_but_never_what_is_past()
    {
        _practice.Execute(RunCommand.Take, At(12));
        Assert.Equal("Change 1 to 22", ClockAt(12));
    }

    [Theory]
    [InlineData(12, "Work 1 to 32")]
    [InlineData(25, "Work 1 to 45")]
    [InlineData(90, "Work 3 to 110")]
    public void A_round_is_done_again_in_full(double second, string clock)
    {
        _practice.Execute(RunCommand.Repeat, At(second));
        Assert.Equal(clock, ClockAt(second));
    }

    [Fact]
    public void One_more_round_comes_after_its_change_and_two_who_ask_get_one()
    {
        _practice.Execute(RunCommand.Another, At(40));
        _sheet.Add(new RunEvent.Rounds(new EventId(new DeviceId("other"), 1), At(40.1), 4));
        Assert.Equal("Change 3 to 90", ClockAt(85));
        Assert.Equal("Work 4 to 110", ClockAt(95));
        Assert.Equal("Over 4 to 0", ClockAt(110));
    }

    [Fact]
    public void When_all_is_over_it_begins_no_sooner_than_now()
    {
        _practice.Execute(RunCommand.Another, At(200));
        Assert.Equal("Work 4 to 220", ClockAt(200));
        Assert.False(_sheet.Score.IsDoneAt(At(219)));
        Assert.True(_sheet.Score.IsDoneAt(At(220)));
    }

    [Fact]
    public void In_turns_one_more_round_is_one_more_turn_and_makes_no_turn_longer()
    {
        var sheet = Given.Open(
            Given.Card(""" "play":"turns","until":[{"seconds":10}],"clock":{"work":10,"change":5,"rounds":2} """),
            "a",
            "b",
            "c"
        );
        var practice = new LivePractice(new DeviceId("coach"), [new LiveRun("", [new RunSheet(Only, "", sheet)])]);
        practice.Execute(RunCommand.Start, Instant.Origin);
        practice.Execute(RunCommand.Another, At(4));
        Assert.True(Late(11));
        practice.AppendDue(At(16));
        Assert.Equal("b", sheet.Score.Turn?.Value);
        practice.AppendDue(At(31));
        Assert.Equal("c", sheet.Score.Turn?.Value);
        Assert.False(Late(35));

        bool Late(double second)
        {
            var said = practice.Tap(Only, new TapCommand(null, "make"), At(second)).Require();
            return sheet.ResultOf(said[0].Event.Id)?.Kind == EventResultKind.Late;
        }
    }

    /// <summary>Whatever is skipped, however many rounds there are: intervals follow without a gap, and nothing that was is otherwise.</summary>
    [Fact]
    public void Whatever_is_said_the_timeline_stays_whole_and_the_past_as_it_was() =>
        Gen.Select(Gen.OneOf([.. ShippedCard.Ids]), Gen.Select(Gen.Int[0, 900], Gen.Int[0, 9]).Array[1, 8])
            .Sample(
                (id, words) =>
                {
                    if (ShippedCard.Read(id).Stages[0].Clock is not { } plan)
                    {
                        return;
                    }

                    foreach (var (second, word) in words.OrderBy(word => word.Item1))
                    {
                        var (now, before) = (ClockTime.Zero + Duration.FromSeconds(second), new Timeline(plan));
                        var under = before.At(now);
                        plan =
                            word < 5
                                ? plan.Moved(under, under.Kind == IntervalKind.Over ? default : now - under.End)
                                : plan.OfRounds(word, now);
                        var after = new Timeline(plan);
                        Assert.All(
                            after.Intervals.Zip(after.Intervals.Skip(1)),
                            pair => Assert.Equal(pair.First.End, pair.Second.Start)
                        );
                        Assert.Equal(plan.Total, after.Intervals[^1].Start - ClockTime.Zero);
                        Assert.All(
                            before.Intervals.TakeWhile(interval => interval.End <= now),
                            past => Assert.Contains(after.Intervals, each => each.Kind == past.Kind && each.End == past.End)
                        );
                    }
                }
            );
}
