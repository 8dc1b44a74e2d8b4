using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Scoring;

public sealed class DrillTableTests
{
    private const string Relay = """
        "play":"turns","until":[{"successes":1}],"measure":[{"by":"seconds","better":"low"}]
        """;

    private static DrillSheet Ended(string name, Sheet sheet) =>
        new(name, sheet.Head, sheet.Units, sheet.Score.Clock.IsStarted, sheet.Now());

    private static string[] Ranks(IEnumerable<DrillRow> table) =>
        [.. table.Select(row => $"{row.Rank?.ToString() ?? "-"} {row.Unit.Id} {row.Sheet.Name}".Trim())];

    private static void Substitute(Sheet sheet, int n, long at, string? gone, string? comes) =>
        sheet.Add(
            new RunEvent.Substitution(new EventId(new DeviceId("u"), n), new Instant(at), Given.Player(gone), Given.Player(comes))
        );

    [Fact]
    public void Players_of_all_groups_are_ranked_in_one_table_by_the_cards_measures()
    {
        var card = Given.Card(
            """
            "ladder":{"rungs":["l","r"],"pass":{"successes":2}},"measure":[{"by":"cleared"},{"by":"seconds","better":"low"}]
            """
        );
        var first = Given.Started(card, "a", "b").Taps("b+ a+ a+ a+ a+");
        var second = Given.Started(card, "c", "d").Taps("c+ c+ c+ c+ d-");

        var table = DrillTable.Rank(card.Stages[0], [Ended("A", first), Ended("B", second)]);

        Assert.Equal(["1 c B", "2 a A", "3 b A", "3 d B"], Ranks(table));
    }

    [Fact]
    public void The_same_side_on_two_courts_has_two_rows()
    {
        var card = Given.Card(
            """
            "play":"match","scores":"side","sides":["x","y"]
            """
        );
        var one = Given.Started(card, "x", "y").Taps("x+ x+");
        var two = Given.Started(card, "x", "y").Taps("x+ y+ y+ y+");

        var table = DrillTable.Rank(card.Stages[0], [Ended("A", one), Ended("B", two)]);

        Assert.Equal(["1 y B", "2 x A", "3 x B", "4 y A"], Ranks(table));
    }

    [Fact]
    public void A_turn_cut_short_is_no_quick_one_and_who_had_no_go_has_no_rank()
    {
        var card = Given.Card(Relay);
        var sheet = Given.Started(card, "a", "b", "c", "d");
        sheet.Tap(null, "make", 4000);
        sheet.Tap(null, "make", 9000);
        sheet.Tap(null, "miss", 10_000);
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("x"), 2), new Instant(10_000)));

        var rows = DrillTable.Rank(card.Stages[0], [Ended("", sheet)]);
        Assert.Equal(["1 a", "2 b", "3 c", "- d"], Ranks(rows));
        Assert.Equal([4, 5, null], rows.Take(3).Select(row => row.Report.Value(card.Stages[0].Measures[0])));
        Assert.Equal("A first in 0:04.", VerdictWords.Of(Verdict.Of(card.Stages[0], rows, open: false)));
    }

    [Fact]
    public void A_sheet_that_was_never_reached_ranks_nobody_and_comes_last()
    {
        var card = Given.Card("");
        var reached = Given.Started(card, "a", "b").Taps("a-");
        var not = Given.Open(card, "c");

        var table = DrillTable.Rank(card.Stages[0], [Ended("A", not), Ended("B", reached)]);

        Assert.Equal(["1 a B", "- b B", "- c A"], Ranks(table));
        Assert.Equal([true, true, false], table.Select(row => row.Played));
        Assert.Empty(not.Now().Ranking);
    }

    [Fact]
    public void A_drill_without_scores_ranks_nobody()
    {
        var card = Given.Card(
            """
            "scores":"none"
            """
        );

        Assert.Equal(["- a", "- b"], Ranks(DrillTable.Rank(card.Stages[0], [Ended("", Given.Started(card, "a", "b").Taps("a+"))])));
    }

    [Fact]
    public void Who_left_before_it_began_is_not_said_to_have_played_and_the_others_while_they_were_there()
    {
        var card = Given.Card("");
        var sheet = Given.Open(card, "a", "b", "c");
        Substitute(sheet, 1, 0, "b", null);
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(1)));
        sheet.Tap("a", "make", 1001);
        Substitute(sheet, 2, 61_001, "c", "d");
        sheet.Tap("d", "make", 90_001);

        var rows = DrillTable.Rank(card.Stages[0], [Ended("", sheet)]).ToDictionary(row => row.Unit.Id.Value);

        Assert.False(rows["b"].Played);
        Assert.Null(rows["b"].Rank);
        Assert.Equal(
            ("", "to 1:01", "from 1:01"),
            (PlayedWords.When(rows["a"]), PlayedWords.When(rows["c"]), PlayedWords.When(rows["d"]))
        );
    }

    [Fact]
    public void Who_changed_sides_is_listed_with_each_while_they_were_on_it()
    {
        var card = Given.Card(
            """
            "play":"match","scores":"side","sides":["x","y"]
            """
        );
        Member[] left = [new(new PlayerId("a"), "Ada"), new(new PlayerId("b"), "Bea")];
        Member[] right = [new(new PlayerId("c"), "Cleo"), new(new PlayerId("d"), "Dora")];
        var head = new LogHead(
            card.Id,
            0,
            card.Chosen,
            [new Unit(new PlayerId("x"), "X", left), new Unit(new PlayerId("y"), "Y", right)],
            Bench: [new Member(new PlayerId("e"), "Esme")]
        );
        var sheet = Sheet.Open(card, head).Require();
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), Instant.Origin));
        Substitute(sheet, 1, 30_000, "a", "c");
        Substitute(sheet, 2, 60_000, "d", "e");
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("s"), 2), new Instant(90_000)));

        var rows = DrillTable.Rank(card.Stages[0], [Ended("", sheet)]);

        Assert.Equal(["Ada (to 0:30)", "Bea", "Cleo (from 0:30)"], PlayedWords.Of(rows.Single(row => row.Unit.Id.Value == "x")));
        Assert.Equal(
            ["Cleo (to 0:30)", "Dora (to 1:00)", "Ada (from 0:30)", "Esme (from 1:00)"],
            PlayedWords.Of(rows.Single(row => row.Unit.Id.Value == "y"))
        );
    }
}
