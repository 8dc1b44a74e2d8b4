using CsCheck;
using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Layout;
using KeepTally.Core.Places;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Formats;

/// <summary>One card for two, three or four a side, by who is here.</summary>
public sealed class VersusTests
{
    /// <summary>Each shipped card with more ways than one, its stage, and each number on a side.</summary>
    public static TheoryData<string, int, int> Ways =>
        [
            .. from id in ShippedCard.Ids
            from stage in ShippedCard.Read(id).Stages.Index()
            from number in VersusChoice.Numbers(stage.Item)
            select (id, stage.Index, number),
        ];

    private static Stage Small => ShippedCard.Read("three-a-side").Stages[0];

    /// <summary>What of a card is told, played and drawn, as one text.</summary>
    private static string Told(DrillCard card) =>
        string.Join(
            '\n',
            [
                CardWords.InFull(card),
                .. card.SetUp,
                .. card.Equipment.Select(CardWords.Equipment),
                card.Layout is { } layout ? LayoutWriter.Text(layout) : "",
                .. card.Stages.SelectMany(stage =>
                    stage.Places.Select(place => place.ToString()).Concat(stage.Moves.Select(move => move.ToString()))
                ),
            ]
        );

    /// <summary>By hand: 2, 3 and 4 a side; the least where a side has fewer, the most where it has more.</summary>
    [Theory]
    [InlineData(0, 2)]
    [InlineData(1, 2)]
    [InlineData(2, 2)]
    [InlineData(3, 3)]
    [InlineData(4, 4)]
    [InlineData(9, 4)]
    public void As_many_play_as_the_smallest_side_fills(int smallest, int number) =>
        Assert.Equal(number, VersusChoice.For(Small, smallest));

    /// <summary>Chosen on the day: at most that number, never more than the smallest side fills.</summary>
    [Theory]
    [InlineData(9, 3, 3)]
    [InlineData(9, 2, 2)]
    [InlineData(3, 4, 3)]
    [InlineData(9, 1, 2)]
    [InlineData(9, null, 4)]
    public void A_coach_may_want_fewer_on_each_side(int smallest, int? most, int number) =>
        Assert.Equal(number, VersusChoice.For(Small, smallest, most));

    /// <summary>15 on two courts are 7 and 8, four and three a side at the least.</summary>
    [Theory]
    [InlineData(15, 2, 3)]
    [InlineData(16, 2, 4)]
    [InlineData(7, 1, 3)]
    public void Players_spread_over_courts_and_sides(int players, int courts, int number) =>
        Assert.Equal(number, VersusChoice.Spread(Small, players, courts));

    [Fact]
    public void A_card_with_one_way_has_no_number()
    {
        Assert.Null(VersusChoice.For(ShippedCard.Read("win-it-score-it").Stages[0], 5));
        Assert.Null(VersusChoice.For(ShippedCard.Read("minute-trios").Stages[0], 5));
    }

    [Theory]
    [MemberData(nameof(Ways))]
    public void The_text_of_a_way_reads_as_that_way_and_each_side_has_its_spots(string id, int stage, int number)
    {
        var played = VersusChoice.Played(ShippedCard.Read(id), stage, number);
        var read = CardReader.Read(VersusText.Of(ShippedCard.Text(id), stage, number)).Require();

        Assert.Equal(
            Told(read with { Stages = [.. read.Stages] }),
            Told(played with { Stages = [.. played.Stages.Select(each => each with { Versus = [] })] })
        );
        Assert.Empty(VersusChoice.Numbers(read.Stages[stage]));
        Assert.All(read.Stages[stage].Sides, side => Assert.Equal(number, VersusChoice.SpotsOf(side, read.Stages[stage].Places)));
    }

    /// <summary>A result means the same, however many play.</summary>
    [Theory]
    [MemberData(nameof(Ways))]
    public void Nothing_but_places_differs_in_how_it_is_scored(string id, int stage, int number)
    {
        var card = ShippedCard.Read(id);
        var (written, played) = (card.Stages[stage], VersusChoice.Played(card, stage, number).Stages[stage]);

        Assert.Equal(written.Outcomes, played.Outcomes);
        Assert.Equal(written.Rules, played.Rules);
        Assert.Equal(written.Clock, played.Clock);
        Assert.Equal(written.Sides, played.Sides);
    }

    [Fact]
    public void The_number_never_falls_when_more_come_and_never_asks_for_more_than_there_are() =>
        Gen.Select(Gen.Int[2, 60], Gen.Int[1, 8])
            .Sample(
                (players, courts) =>
                {
                    var number = VersusChoice.Spread(Small, players, courts)!.Value;
                    Assert.InRange(VersusChoice.Spread(Small, players + 1, courts)!.Value, number, 4);
                    Assert.True(number == 2 || number * 2 * courts <= players);
                }
            );

    [Theory]
    [InlineData("""{"two":{"places":[]}}""", "versus.two", "is not how many play on a side")]
    [InlineData("""{"0":{"places":[]}}""", "versus.0", "is not how many play on a side")]
    [InlineData(
        """{"3":{"places":[{"id":"x","side":"x","size":3},{"id":"y","side":"y","size":3}]}}""",
        "versus.3",
        "written for 3"
    )]
    [InlineData(
        """{"2":{"places":[{"id":"x","side":"x","size":2},{"id":"y","side":"y"}]}}""",
        "versus.2.places",
        "\"y\" take 1, not 2"
    )]
    [InlineData("""{"2":{"places":[{"id":"x","side":"z","size":2}]}}""", "versus.2.places[0].side", "not one of the sides")]
    [InlineData("""{"2":{"places":[{"id":"a","side":"x","size":2},{"id":"y","side":"y","size":2}]}}""", "versus.2", "name \"x\"")]
    [InlineData("""{"2":{"moves":[]}}""", "versus.2.places", "missing")]
    [InlineData("""{"2":{"clock":{"work":9}}}""", "versus.2.clock", "")]
    public void A_way_that_cannot_be_played_is_told_with_its_place(string versus, string path, string problem)
    {
        var reading = CardReader.Read(
            $$"""
            {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"scores":"side","play":"match","sides":["x","y"],"outcomes":[{"id":"goal"}],
             "places":[{"id":"x","side":"x","size":3},{"id":"y","side":"y","size":3}],"moves":[{"from":"x","to":"y"}],"versus":{{versus}}}]}
            """
        );

        Assert.Contains(
            reading.Faults,
            fault =>
                fault.Path == $"stages[0].{path}"
                && fault.Problem.Contains(problem, StringComparison.Ordinal)
                && fault.Fix.Length > 0
        );
    }

    [Fact]
    public void Only_sides_have_a_number()
    {
        var reading = CardReader.Read(
            """{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"outcomes":[{"id":"a"}],"versus":{"2":{"places":[]}}}]}"""
        );

        Assert.Contains(reading.Faults, fault => fault.Path == "stages[0].versus");
    }

    [Fact]
    public void Ways_and_who_is_at_work_are_told_in_words()
    {
        Assert.Equal("2 v 2, 3 v 3 or 4 v 4", VersusWords.Ways(Small));
        Assert.Equal("3 v 2", VersusWords.Of(Small, place => place.Id == "plain" ? 3 : 2));
        Assert.Equal("", VersusWords.Of(ShippedCard.Read("minute-trios").Stages[0], _ => 1));
        Assert.Contains(
            "Played 2 v 2, 3 v 3 or 4 v 4",
            CardWords.InFull(ShippedCard.Read("three-a-side")),
            StringComparison.Ordinal
        );
    }
}
