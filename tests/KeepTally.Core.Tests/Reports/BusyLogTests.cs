using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Reports;

/// <summary>How busy players were, calculated by hand. Source: docs/formats.md, section 5.</summary>
public sealed class BusyLogTests
{
    private static (double Busy, double There) Of(Sheet sheet, string player)
    {
        var work = ScoredSheet.Of(sheet).Work.Players.Single(each => each.Player.Value == player);
        return (work.Busy.TotalSeconds, work.There.TotalSeconds);
    }

    private static void End(Sheet sheet, long at) =>
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("s"), 90), new Instant(at)));

    [Fact]
    public void One_at_a_time_is_busy_and_those_who_wait_for_their_turn_are_not()
    {
        var sheet = Given.Started(Given.Card(""" "play":"turns" """), "a", "b");
        sheet.Tap("a", "make", 10_000);
        sheet.Tap("b", "make", 40_000);
        End(sheet, 60_000);

        var (a, b) = (Of(sheet, "a"), Of(sheet, "b"));
        Assert.Equal((60.0, 60.0), (a.There, b.There));
        Assert.Equal(60, a.Busy + b.Busy);
    }

    [Fact]
    public void Who_stands_nowhere_is_not_busy_and_counts_for_the_time_they_were_there()
    {
        var card = Given.Card(""" "play":"together","places":[{"id":"spot","kind":"spot","size":1,"active":true}] """);
        var sheet = Given.Started(card, "a", "b");
        End(sheet, 30_000);

        Assert.Equal((30, 30), Of(sheet, "a"));
        Assert.Equal((0, 30), Of(sheet, "b"));
    }

    [Fact]
    public void A_pause_and_the_time_after_a_player_is_done_are_no_work_of_theirs()
    {
        var sheet = Given.Started(Given.Card(""" "play":"together","until":[{"successes":1}] """), "a", "b");
        sheet.Tap("a", "make", 10_000);
        sheet.Add(new RunEvent.Pause(new EventId(new DeviceId("s"), 2), new Instant(20_000)));
        sheet.Add(new RunEvent.Resume(new EventId(new DeviceId("s"), 3), new Instant(50_000)));
        sheet.Tap("b", "miss", 60_000);
        End(sheet, 70_000);

        Assert.Equal((10, 40), Of(sheet, "a"));
        Assert.Equal((40, 40), Of(sheet, "b"));
    }

    [Fact]
    public void Who_comes_late_is_there_from_then_on()
    {
        var sheet = Given.Started(Given.Card(""" "play":"together" """), "a");
        sheet.Add(new RunEvent.Substitution(new EventId(new DeviceId("s"), 2), new Instant(20_000), new PlayerId("a"), null));
        sheet.Add(new RunEvent.Substitution(new EventId(new DeviceId("s"), 3), new Instant(30_000), null, new PlayerId("a")));
        End(sheet, 50_000);

        Assert.Equal((40, 40), Of(sheet, "a"));
    }

    [Fact]
    public void A_sheet_that_never_started_has_nobody()
    {
        var sheet = Given.Open(Given.Card(""" "play":"together" """), "a");
        Assert.Empty(ScoredSheet.Of(sheet).Work.Players);
    }
}
