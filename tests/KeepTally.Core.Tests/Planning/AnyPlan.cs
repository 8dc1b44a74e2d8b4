using CsCheck;
using KeepTally.Core.Planning;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Planning;

/// <summary>Timing sheets drawn at random, of the cards that ship and of one that is in no book.</summary>
internal static class AnyPlan
{
    private const string NoCard = "nowhere";

    internal static CardShelf Shelf { get; } = CardShelf.Of(ShippedCard.Ids.Select(id => ShippedCard.Read(id)));

    private static readonly Gen<string> Card = Gen.Frequency(
        (30, Gen.Int[0, ShippedCard.Ids.Count - 1].Select(index => ShippedCard.Ids[index])),
        (1, Gen.Const(NoCard))
    );

    private static readonly Gen<double> Minutes = Gen.Int[1, 40].Select(halves => halves / 2.0);

    private static readonly Gen<double> Walk = Gen.OneOf(0.0, 30, 60, 90);

    private static readonly Gen<PlanBlock> Block = Gen.Frequency(
        (
            8,
            Gen.Select(
                Card,
                Minutes,
                Gen.Int[1, 8],
                Walk,
                (card, minutes, groups, walk) => (PlanBlock)new PlanBlock.Drill(card, minutes, groups) { ChangeSeconds = walk }
            )
        ),
        (
            2,
            Gen.Select(
                Card.Array[2, 5],
                Gen.Int[4, 12],
                Gen.Int[0, 6],
                Walk,
                Gen.Bool,
                (cards, halves, groups, walk, inside) =>
                    (PlanBlock)
                        new PlanBlock.Circuit(cards, halves / 2.0, groups == 0 ? null : groups)
                        {
                            ChangeSeconds = walk,
                            BetweenSeconds = 30,
                            ChangeInside = inside,
                        }
            )
        ),
        (1, Minutes.Select(minutes => (PlanBlock)new PlanBlock.Break("Water", Math.Min(minutes, 5)))),
        (1, Minutes.Select(minutes => (PlanBlock)new PlanBlock.Talk("The gates", Math.Min(minutes, 5)) { ChangeSeconds = 30 }))
    );

    internal static readonly Gen<Plan> Any = Gen.Select(
        Block.Array[0, 8],
        Gen.Int[2, 24],
        Gen.Int[0, 6],
        Gen.Int[0, 20],
        Gen.Int[20, 120],
        Gen.OneOf<int?>(null, 8, 9, 10, 14),
        Card.Array[0, 2],
        (blocks, players, coaches, balls, minutes, age, reserve) =>
            new Plan
            {
                Title = "Any",
                Date = new DateOnly(2026, 9, 3),
                Start = new TimeOnly(17, 30),
                Minutes = minutes,
                Players = players,
                Coaches = coaches == 6 ? null : coaches,
                Age = age,
                Equipment =
                    balls == 20
                        ? null
                        : new Dictionary<string, int>
                        {
                            ["ball"] = balls,
                            ["cone"] = balls * 2,
                            ["bib"] = balls,
                            ["disc"] = 10,
                        },
                Blocks = [.. blocks.Select((block, index) => block with { Key = index + 1 })],
                Reserve = reserve,
            }
    );
}
