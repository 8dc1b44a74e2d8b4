using CsCheck;
using KeepTally.Core.Planning;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Planning;

/// <summary>Whole sheets that are offered.</summary>
public sealed class SheetOfferTests
{
    private static readonly BookDrill[] Book =
    [
        .. ShippedCard.Ids.Select((id, index) => new BookDrill(ShippedCard.Read(id), index % 3 == 0 ? null : index * 3)),
    ];

    private static readonly Gen<SheetWish> AnyWish = Gen.Select(
        Gen.Int[4, 22],
        Gen.Int[30, 120],
        Gen.OneOf<int?>(null, 8, 12, 15),
        Gen.OneOf<int?>(null, 1, 2, 4),
        Gen.OneOf<int?>(null, 6, 12, 30),
        Gen.OneOf("shooting", "passing", "defending", "none of them"),
        Gen.Bool,
        (players, minutes, age, coaches, balls, skill, daily) =>
            new SheetWish(
                new Plan
                {
                    Start = new TimeOnly(17, 30),
                    Minutes = minutes,
                    Players = players,
                    Age = age,
                    Coaches = coaches,
                    Equipment = balls is { } count
                        ? new Dictionary<string, int>
                        {
                            ["ball"] = count,
                            ["cone"] = count * 2,
                            ["bib"] = 7,
                        }
                        : null,
                    Blocks = daily ? [new PlanBlock.Drill("habit-pairs", 4, Math.Max(1, players / 2))] : [],
                },
                Book,
                [skill]
            )
    );

    /// <summary>A circuit begins with its easiest station: nobody is sent into the hardest one cold.</summary>
    [Fact]
    public void Stations_of_an_offered_circuit_grow_harder()
    {
        var efforts = Book.ToDictionary(each => each.Card.Id, each => each.Card.Intensity);
        var seen = 0;
        AnyWish.Sample(
            wish =>
            {
                foreach (
                    var circuit in SheetOffers
                        .Make(wish, seed: 7)
                        .SelectMany(offer => offer.Plan.Blocks)
                        .OfType<PlanBlock.Circuit>()
                )
                {
                    var hard = circuit.Stations.Select(station => efforts[station]).ToArray();
                    Assert.Equal(hard.Order(), hard);
                    Interlocked.Add(ref seen, hard.Distinct().Count() > 1 ? 1 : 0);
                }
            },
            iter: 30
        );
        Assert.True(seen > 0);
    }

    [Fact]
    public void No_cap_is_broken_and_nothing_is_warned_of_but_what_it_says_cannot_be_avoided() =>
        AnyWish.Sample(
            wish =>
            {
                foreach (var offer in SheetOffers.Make(wish, seed: 7))
                {
                    var report = PlanReport.Of(offer.Plan, CardShelf.Of(Book.Select(each => each.Card)));
                    Assert.Equal(report.Warnings.Select(each => each.Text), offer.Unavoidable.Select(each => each.Text));
                    foreach (var block in offer.Plan.Blocks.Skip(wish.Frame.Blocks.Count))
                    {
                        Assert.True(
                            block is PlanBlock.Break || PlanEdits.MinutesOf(block) <= (wish.Frame.LongestDrill ?? double.MaxValue)
                        );
                    }

                    Assert.True(report.Slack >= 0);
                    Assert.NotEmpty(offer.Reasons);
                    Assert.Equal(wish.Frame.Blocks, offer.Plan.Blocks.Take(wish.Frame.Blocks.Count));
                }
            },
            iter: 25
        );

    [Fact]
    public void Three_different_sheets_with_nothing_to_say_against_them_for_a_usual_practice()
    {
        var wish = Usual();

        var offers = SheetOffers.Make(wish, seed: 1);

        Assert.Equal(3, offers.Count);
        foreach (var offer in offers)
        {
            Assert.Empty(offer.Unavoidable);
            Assert.InRange(PlanReport.Of(offer.Plan, AnyPlan.Shelf).Slack, 0, 5 * 60);
            var efforts = offer.Plan.Blocks.Select(AnyPlan.Shelf.EffortOf).OfType<int>().ToArray();
            Assert.Equal(efforts.Order(), efforts);
            Assert.True(offer.Plan.Reserve.Count >= 3);
            // Common practice: arms are warm before they throw.
            var first = AnyPlan.Shelf.Find(offer.Plan.Blocks[0].Cards[0])!;
            Assert.True(first is { Load: null, Intensity: <= 2 }, first.Name);
            Assert.DoesNotContain(offer.Plan.Reserve, card => offer.Plan.Blocks.Any(block => block.Cards.Contains(card)));
        }

        Assert.Contains(offers[1].Plan.Blocks, block => block is PlanBlock.Circuit);
        var cards = offers.Select(offer => offer.Plan.Blocks.SelectMany(block => block.Cards).ToHashSet()).ToArray();
        Assert.False(cards[0].SetEquals(cards[1]) || cards[1].SetEquals(cards[2]) || cards[0].SetEquals(cards[2]));
    }

    [Fact]
    public void The_same_wish_and_seed_give_the_same_sheets_and_another_seed_may_not()
    {
        static string Text(int seed) =>
            string.Join('\n', SheetOffers.Make(Usual(), seed).Select(offer => PlanWriter.Write(offer.Plan) + offer.Reasons));

        Assert.Equal(Text(3), Text(3));
        Assert.Contains(Enumerable.Range(4, 10), seed => Text(seed) != Text(3));
    }

    [Fact]
    public void A_book_with_nothing_for_the_squad_offers_nothing() =>
        Assert.Empty(SheetOffers.Make(Usual() with { Book = [] }, seed: 1));

    private static SheetWish Usual() =>
        new(
            new Plan
            {
                Start = new TimeOnly(17, 30),
                Minutes = 75,
                Players = 12,
                Age = 13,
                Coaches = 3,
                Equipment = new Dictionary<string, int>
                {
                    ["ball"] = 16,
                    ["cone"] = 40,
                    ["bib"] = 16,
                    ["disc"] = 20,
                },
                Blocks = [],
            },
            [.. Book.Where(each => each.Card.Sports.Contains("handball") || each.Card.Sports.Contains("any sport"))],
            ["shooting"]
        );
}
