using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;

namespace KeepTally.Core.Tests.Scoring;

public sealed class HeadCheckTests
{
    private static readonly DrillCard Match = Given.Card(
        """
        "play":"match","scores":"side","sides":["x","y"],"ball":"x"
        """,
        """[{"id":"goal","points":{"x":1},"by":"y"}]"""
    );

    private static string? Fault(string drill, int stage, params string[] units) =>
        Sheet
            .Open(Match, new LogHead(drill, stage, Match.Chosen, [.. units.Select(unit => new Unit(new PlayerId(unit), unit, []))]))
            .Faults.FirstOrDefault()
            ?.ToString();

    [Fact]
    public void A_head_that_fits_its_card_opens_a_sheet() => Assert.Null(Fault("d", 0, "x", "y"));

    [Fact]
    public void A_log_of_another_drill_is_told_which() =>
        Assert.StartsWith("drill: the log is of \"e\", the card is \"d\"", Fault("e", 0, "x", "y"), StringComparison.Ordinal);

    [Fact]
    public void A_stage_the_card_has_not_is_named() =>
        Assert.StartsWith("stage: ", Fault("d", 1, "x", "y"), StringComparison.Ordinal);

    [Fact]
    public void A_side_the_card_asks_for_must_be_there() =>
        Assert.StartsWith("units: the card asks for \"y\"", Fault("d", 0, "x"), StringComparison.Ordinal);

    [Fact]
    public void A_stranger_is_no_side() =>
        Assert.StartsWith("units: \"z\" is not a side", Fault("d", 0, "x", "y", "z"), StringComparison.Ordinal);

    [Fact]
    public void A_head_is_written_as_it_is_read_with_the_players_of_its_sides()
    {
        var head = new LogHead(
            "d",
            0,
            new Dictionary<string, string> { ["to"] = "15" },
            [
                new Unit(new PlayerId("x"), "Plain", [new Member(new PlayerId("p1"), "Zoë \"Ace\" Fern")]),
                new Unit(new PlayerId("y"), "Striped", []),
            ]
        );

        var read = HeadReader.Read(HeadReader.Write(head)).Require();

        Assert.Equal("Zoë \"Ace\" Fern", read.Units[0].People.Single().Name);
        Assert.Equal("Striped", read.Units[1].People.Single().Name);
        Assert.Equal("15", read.Options["to"]);
    }
}
