using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>A practice that is ended early: everything is over at one press, and comes back at one.</summary>
public sealed class EndPracticeTests
{
    private readonly LivePractice _practice = new(
        new DeviceId("coach"),
        [.. new[] { "One", "Two", "Three", "Four" }.Select(name => new LiveRun(name, [SheetOf(name, "a"), SheetOf(name, "b")]))]
    );

    private static RunSheet SheetOf(string drill, string group) =>
        new(new SheetId($"{drill}-{group}"), group, Given.Open(Given.Card(""), "x", "y"));

    /// <summary>One is done, two is under way.</summary>
    public EndPracticeTests()
    {
        Say(RunCommand.Start, 0);
        Say(RunCommand.End, 10);
        Say(RunCommand.Start, 20);
    }

    private IReadOnlyList<SheetEvent> Say(RunCommand command, int second) =>
        _practice.Execute(command, new Instant(second * 1000L));

    [Fact]
    public void What_would_not_be_reached_is_named_before()
    {
        Assert.Equal(["Three", "Four"], _practice.NotReached.Select(run => run.Name));
    }

    [Fact]
    public void Every_drill_is_over_and_what_was_not_reached_has_not_begun()
    {
        Assert.Equal(6, Say(RunCommand.EndPractice, 30).Count);

        Assert.Equal(4, _practice.Current);
        Assert.Equal([true, true, false, false], _practice.Runs.Select(run => run.IsStarted));
        Assert.Empty(_practice.NotReached);
    }

    [Fact]
    public void Going_back_brings_back_all_that_was_ended_together_and_nothing_before()
    {
        Say(RunCommand.EndPractice, 30);
        Assert.Equal(6, Say(RunCommand.Back, 35).Count);

        Assert.Equal(1, _practice.Current);
        Assert.True(_practice.Runs[0].IsEnded);
        Assert.Equal(["Three", "Four"], _practice.NotReached.Select(run => run.Name));
    }

    [Fact]
    public void Where_drills_were_ended_one_by_one_going_back_brings_back_the_last_alone()
    {
        Say(RunCommand.End, 30);
        Say(RunCommand.End, 31);
        Say(RunCommand.Back, 32);

        Assert.Equal(2, _practice.Current);
        Assert.True(_practice.Runs[1].IsEnded);
    }

    [Fact]
    public void A_sheet_that_has_seen_later_events_ends_with_all_others()
    {
        var late = _practice.Find(new SheetId("Four-b"))!;
        late.Add(new RunEvent.Note(new EventId(new DeviceId("other"), 1), new Instant(90_000), "Bring the small balls", null));
        Say(RunCommand.EndPractice, 30);
        Say(RunCommand.Back, 31);

        Assert.Equal(1, _practice.Current);
    }
}
