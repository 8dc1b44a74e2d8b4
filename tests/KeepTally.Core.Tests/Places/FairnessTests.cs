using CsCheck;
using KeepTally.Core.Cards;
using KeepTally.Core.Places;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Text;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Places;

/// <summary>Who comes to which job how often, and what is said of it beforehand.</summary>
public sealed class FairnessTests
{
    private const string ThreeJobs = """
        "places":[{"id":"shoot","kind":"spot","size":1,"role":"shooter"},{"id":"feed","kind":"spot","size":1,"role":"feeder"},
          {"id":"fetch","kind":"spot","size":1,"role":"rebounder"},{"id":"line","kind":"line"}],
        "moves":[{"from":"shoot","to":"feed"},{"from":"feed","to":"fetch"},{"from":"fetch","to":"line"},{"from":"line","to":"shoot"}],
        "rotate":{"on":"round"}
        """;

    [Fact]
    public void Through_a_row_of_jobs_and_back_into_line_everybody_has_each_job_once() =>
        Gen.Select(Gen.Int[1, 5], Gen.Int[0, 9])
            .Sample(
                (jobs, waiting) =>
                {
                    var (places, moves) = Row(jobs);
                    var players = Given.Players(Enumerable.Range(0, jobs + waiting).Select(n => $"{n}"));

                    var fair = Fairness.Of(Placement.Fill(places, players), moves);

                    Assert.Equal(players.Length, fair.Rotations);
                    Assert.All(
                        Enumerable.Range(0, jobs),
                        job => Assert.Equal((1, 1, players.Length, players.Length), fair.At($"{job}"))
                    );
                }
            );

    [Fact]
    public void However_many_goes_there_are_each_go_of_each_job_is_a_players() =>
        Gen.Select(Gen.Int[1, 5], Gen.Int[0, 9], Gen.Int[1, 40])
            .Sample(
                (jobs, waiting, goes) =>
                {
                    var (places, moves) = Row(jobs);
                    var players = Given.Players(Enumerable.Range(0, jobs + waiting).Select(n => $"{n}"));

                    var fair = Fairness.Over(goes, Placement.Fill(places, players), moves);

                    Assert.All(
                        Enumerable.Range(0, jobs).Select(job => $"{job}"),
                        job =>
                        {
                            Assert.Equal(goes, fair.Goes.Values.Sum(each => each.GetValueOrDefault(job)));
                            Assert.InRange(fair.At(job).Most - fair.At(job).Fewest, 0, 1);
                        }
                    );
                }
            );

    [Theory]
    [InlineData(3, "", "Three players: after three changes everyone has done every job as often as the others.")]
    [InlineData(
        7,
        """ ,"clock":{"work":30,"rounds":9}""",
        "Seven players: after seven changes everyone has done every job as often as the others. In the nine rounds of the clock two of them get one more go as shooter, two as feeder and two as rebounder."
    )]
    [InlineData(
        4,
        """ ,"clock":{"work":30,"rounds":2}""",
        "Four players: after four changes everyone has done every job as often as the others. In the two rounds of the clock only two of them get a go as shooter, two as feeder and two as rebounder."
    )]
    [InlineData(
        4,
        """ ,"clock":{"work":30,"rounds":8}""",
        "Four players: after four changes everyone has done every job as often as the others."
    )]
    public void What_the_numbers_make_of_it_is_said(int players, string clock, string said) =>
        Assert.Equal(said, FairWords.Of(Given.Card(ThreeJobs + clock).Stages[0], players));

    [Fact]
    public void Two_lines_that_never_change_over_are_never_even()
    {
        const string split = """
            "places":[{"id":"left","kind":"spot","size":1},{"id":"right","kind":"spot","size":1},{"id":"wait-left","kind":"line"},{"id":"wait-right","kind":"line"}],
            "moves":[{"from":"left","to":"wait-left"},{"from":"right","to":"wait-right"},{"from":"wait-left","to":"left"},{"from":"wait-right","to":"right"}],
            "rotate":{"on":"manual"}
            """;

        Assert.Contains(
            "only two of them get a go as left, two as right",
            FairWords.Of(Given.Card(split).Stages[0], 4),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_third_in_a_pair_drill_only_waits_and_it_is_said_wherever_groups_are_made()
    {
        var pairs = ShippedCard.Read("habit-pairs").Stages[0];

        Assert.Equal(
            "Three players: only two of them get a go as doer and two as watcher, over two changes.",
            FairWords.Unevenness(pairs, 3)
        );
        Assert.Equal("", FairWords.Unevenness(pairs, 2));
    }

    [Theory]
    [InlineData("square-thief", 5)] // who lost the ball changes, so the play decides
    [InlineData("last-line", 5)]
    public void Where_the_play_decides_nothing_is_foretold(string card, int players) =>
        Assert.Equal("", FairWords.Of(ShippedCard.Read(card).Stages[0], players));

    /// <summary>Every shipped stage whose places turn by themselves, with as many players as its card may be done with.</summary>
    public static TheoryData<string, int, int> ShippedStages()
    {
        var data = new TheoryData<string, int, int>();
        foreach (var card in ShippedCard.Ids.Select(id => ShippedCard.Read(id)))
        {
            foreach (var (index, stage) in card.Stages.Index().Where(each => TurnsByItself(each.Item)))
            {
                for (var players = card.Players.Min; players <= card.Players.Max; players++)
                {
                    data.Add(card.Id, index, players);
                }
            }
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(ShippedStages))]
    public void A_shipped_card_is_fair_over_a_cycle_or_it_says_who_does_more(string id, int index, int players)
    {
        var stage = ShippedCard.Read(id).Stages[index];
        var fair = Fairness.Of(
            Placement.Fill(stage.Places, Given.Players(Enumerable.Range(0, players).Select(n => $"{n}"))),
            stage.Moves,
            stage.Rotate
        );
        var said = FairWords.Of(stage, players);

        Assert.NotNull(fair.Rotations);
        foreach (var job in stage.Places.Select(place => place.Name).Distinct())
        {
            var (fewest, most, _, _) = fair.At(job);
            if (fewest != most)
            {
                Assert.Contains($" as {Phrase.Words(job)}", said, StringComparison.Ordinal);
            }
        }
    }

    private static bool TurnsByItself(Stage stage) =>
        Fairness.CanTell(stage.Moves)
        && stage.Places.All(place => place.Side is null)
        && (stage.Play != Play.Turns || stage.Rotate?.On == RotateTrigger.Turn);

    /// <summary>So many spots, each moving on to the next, the last to the tail of a line that feeds the first.</summary>
    private static (Place[] Places, Move[] Moves) Row(int jobs) =>
        (
            [
                .. Enumerable.Range(0, jobs).Select(job => new Place($"{job}", PlaceKind.Spot, 1, null, true, false)),
                new Place("line", PlaceKind.Line, 1, null, false, false),
            ],
            [
                .. Enumerable.Range(0, jobs).Select(job => new Move($"{job}", job + 1 < jobs ? $"{job + 1}" : "line", MoveWho.All)),
                new Move("line", "0", MoveWho.All),
            ]
        );
}
