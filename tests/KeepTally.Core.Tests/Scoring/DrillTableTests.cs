using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;

namespace KeepTally.Core.Tests.Scoring;

public sealed class DrillTableTests
{
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

        var table = DrillTable.Rank(
            card.Stages[0].Measures,
            [("A", first.Head.Units, first.Now()), ("B", second.Head.Units, second.Now())]
        );

        Assert.Equal(["1 c B", "2 a A", "3 b A", "3 d B"], table.Select(row => $"{row.Rank} {row.Unit.Id} {row.Sheet}"));
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

        var table = DrillTable.Rank(
            [new Measure(MeasureKinds.Points, Better.High)],
            [("A", one.Head.Units, one.Now()), ("B", two.Head.Units, two.Now())]
        );

        Assert.Equal(["1 y B", "2 x A", "3 x B", "4 y A"], table.Select(row => $"{row.Rank} {row.Unit.Id} {row.Sheet}"));
    }
}
