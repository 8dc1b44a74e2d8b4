using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Scoring;

public sealed class TurnTests
{
    private const string Outcomes = """
        [{"id":"make","result":"success","points":1},{"id":"miss","result":"failure"},{"id":"home","does":["next"]}]
        """;

    private static Sheet Turns(string until) =>
        Given.Started(Given.Card($"\"play\":\"turns\",\"until\":[{until}]", Outcomes), "a", "b", "c");

    private static void Turn(Sheet sheet, long at, string? unit = null) =>
        Assert.Null(
            sheet.Add(
                new RunEvent.Turn(new EventId(new DeviceId("turn"), sheet.Log.Events.Count), new Instant(at), Given.Player(unit))
            )
        );

    [Fact]
    public void A_tap_that_names_nobody_is_of_the_unit_whose_turn_it_is()
    {
        var sheet = Turns("""{"taps":99}""");

        sheet.Tap(null, "make", 1000);
        sheet.Tap(null, "home", 2000);
        sheet.Tap(null, "miss", 3000);

        Assert.Equal(("b", 1, 1), (sheet.Now().Turn?.Value, sheet.Now().Of("a").Successes, sheet.Now().Of("b").Attempts));
    }

    [Fact]
    public void Next_goes_round_to_the_first_again_and_passes_over_who_is_done()
    {
        var sheet = Turns("""{"successes":1}""");
        sheet.Tap(null, "home", 1000);
        sheet.Tap(null, "make", 2000);
        Assert.Equal("c", sheet.Now().Turn?.Value);

        sheet.Tap(null, "home", 3000);
        sheet.Tap(null, "home", 4000);

        Assert.Equal("c", sheet.Now().Turn?.Value);
    }

    [Fact]
    public void A_units_seconds_are_all_its_turns_added()
    {
        var sheet = Turns("""{"taps":99}""");
        Turn(sheet, 10_000);
        Turn(sheet, 15_000);
        Turn(sheet, 18_000);
        Turn(sheet, 20_000);

        Assert.Equal([12_000L, 5_000L, 3_000L], sheet.Now().Units.Select(unit => unit.Running.Milliseconds));
        Assert.Equal(new RunningTime(20_000), sheet.Now().Running);
    }

    [Fact]
    public void With_cut_the_unit_is_done_at_the_limit_and_the_turn_waits_to_be_passed()
    {
        var sheet = Turns("""{"seconds":10}""");
        sheet.Tap(null, "make", 10_001);

        Assert.Equal((1, "a", true), (sheet.Now().Late, sheet.Now().Turn?.Value, sheet.Now().Of("a").Done));
        Turn(sheet, 14_000);
        sheet.Tap(null, "make", 24_000);
        Turn(sheet, 24_000);
        Turn(sheet, 40_000);

        Assert.Equal((true, "b", 34_000L), (sheet.Now().Done, sheet.Now().Winner?.Value, sheet.Now().Running.Milliseconds));
        Assert.Equal([10_000L, 10_000L, 10_000L], sheet.Now().Units.Select(unit => unit.Running.Milliseconds));
    }

    [Fact]
    public void A_turn_passed_before_the_limit_leaves_the_unit_in_play()
    {
        var sheet = Turns("""{"seconds":10,"after":"finish"}""");
        Turn(sheet, 4_000);
        Turn(sheet, 16_000);

        Assert.Equal((false, true), (sheet.Now().Of("a").Done, sheet.Now().Of("b").Done));
    }

    [Fact]
    public void A_turn_can_be_given_to_a_unit_but_not_to_one_that_is_done()
    {
        var sheet = Turns("""{"successes":1}""");
        sheet.Tap(null, "make", 1000);
        Turn(sheet, 2000, "a");
        Assert.Equal("b", sheet.Now().Turn?.Value);

        Turn(sheet, 3000, "c");

        Assert.Equal("c", sheet.Now().Turn?.Value);
        Assert.NotNull(
            sheet.Add(new RunEvent.Turn(new EventId(new DeviceId("turn"), 99), new Instant(4000), new PlayerId("nobody")))
        );
    }
}
