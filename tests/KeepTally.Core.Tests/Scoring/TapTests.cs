using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Scoring;

public sealed class TapTests
{
    [Theory]
    [InlineData("nobody", "make", "unit")]
    [InlineData("a", "nothing", "outcome")]
    [InlineData(null, "make", "unit")]
    [InlineData("a", null, "outcome")]
    public void A_tap_that_names_what_is_not_there_is_refused_and_leaves_no_trace(string? unit, string? outcome, string path)
    {
        var sheet = Given.Started(Given.Card(""), "a", "b");
        var before = sheet.Log.Events.Count;

        var fault = sheet.Tap(unit, outcome);

        Assert.Equal(path, fault?.Path);
        Assert.NotEmpty(fault!.Fix);
        Assert.Equal(before, sheet.Log.Events.Count);
    }

    [Fact]
    public void Points_go_to_self_to_every_other_and_to_a_named_unit()
    {
        const string Outcomes = """[{"id":"o","points":{"self":3,"other":-1,"c":10}}]""";
        var sheet = Given.Started(Given.Card("", Outcomes), "a", "b", "c");

        sheet.Tap("a", "o");

        Assert.Equal([3.0, -1.0, 9.0], sheet.Now().Units.Select(unit => unit.Points));
    }

    [Fact]
    public void Equal_units_share_a_rank_and_the_next_rank_is_skipped()
    {
        var sheet = Given.Started(Given.Card(""), "a", "b", "c", "d").Taps("a+ a+ b+ c+");

        Assert.Equal([1, 2, 2, 4], sheet.Now().Ranking.Select(ranked => ranked.Rank));
    }

    [Fact]
    public void A_unit_without_a_value_ranks_last_even_where_low_is_better()
    {
        var card = Given.Card(
            """
            "measure":[{"by":"accuracy","better":"low"}]
            """
        );

        Assert.Equal(
            ["b", "a", "c"],
            Given.Started(card, "a", "b", "c").Taps("a+ b-").Now().Ranking.Select(ranked => ranked.Unit).Select(id => id.Value)
        );
    }

    [Fact]
    public void Undoing_a_rotation_trigger_puts_the_players_back()
    {
        var card = Given.Card(
            """
            "places":[{"id":"s","size":1,"scores":true},{"id":"q","kind":"line"}],
            "moves":[{"from":"s","to":"q"},{"from":"q","to":"s"}],"rotate":{"on":"attempts","every":2}
            """
        );
        var sheet = Given.Started(card, "a", "b", "c").Taps("a+ a-");
        Assert.Equal(["b"], sheet.Floor.Now.At("s").Select(id => id.Value));

        sheet.Add(
            new RunEvent.Undo(new EventId(new DeviceId("u"), 1), sheet.Log.LastAt + new Duration(1), sheet.Log.Events[^1].Id)
        );

        Assert.Equal(["a"], sheet.Floor.Now.At("s").Select(id => id.Value));
    }
}
