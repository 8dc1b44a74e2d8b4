using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Demo;

/// <summary>The timing sheets of the made-up club: the one of today, and those to come.</summary>
internal static class DemoSheets
{
    private const int Today = 75;

    private static readonly string[] Stations = ["corner-calls", "clean-or-not", "climb-the-net", "warm-hands"];

    /// <summary>The equipment of the club.</summary>
    internal static IReadOnlyList<(string Item, int Count)> Gear { get; } =
    [("ball", 16), ("bib", 14), ("cone", 40), ("disc", 20), ("goal post", 4)];

    /// <summary>A full practice: three drills, water, a circuit, a talk, water, a game and something calm to end with.</summary>
    internal static Practice ForToday(Func<string, CardVersion> card) =>
        new()
        {
            Title = "Shooting under pressure",
            Start = new TimeOnly(17, 30),
            Minutes = Today,
            Place = "Saltmarsh hall",
            Reserve = "never-twice\none-hand-behind\ntag-the-hare\nlast-line",
            Blocks = Ordered([
                Drill(card("minute-trios"), 4, 4, 120),
                Drill(card("three-gates"), 6.5, 4, 90),
                Drill(card("win-it-score-it"), 8.5, 1, 90),
                Rest("Water", 2),
                new Block
                {
                    CardVersionId = card("corner-calls").Id,
                    Minutes = 15.5,
                    Groups = 4,
                    ChangeSeconds = 60,
                    Takes = "Robin Teal\nSam Wren",
                    Circuit = new CircuitBlock
                    {
                        MinutesEach = 3.5,
                        ChangeSeconds = 30,
                        Stations = [.. Stations.Select((id, order) => new Station { Order = order, CardVersionId = card(id).Id })],
                    },
                },
                new Block
                {
                    Pause = Pause.Talk,
                    PauseName = "Where the second ball falls",
                    Minutes = 2,
                },
                Rest("Water", 2),
                Drill(card("three-a-side"), 10, 2, 60),
                Drill(card("round-and-back"), 5, 3, 60),
            ]),
        };

    /// <summary>Two practices to come, so many days from today.</summary>
    internal static IEnumerable<(int Days, Practice Practice)> ToCome(Func<string, CardVersion> card)
    {
        yield return (
            2,
            new Practice
            {
                Title = "Passing and moving",
                Start = new TimeOnly(17, 30),
                Minutes = 60,
                Place = "Saltmarsh hall",
                Reserve = "tag-the-hare\napproach-timing",
                Blocks = Ordered([
                    Drill(card("habit-pairs"), 5, 6, 0),
                    Drill(card("round-and-back"), 8, 3, 60),
                    Drill(card("approach-timing"), 10, 2, 60),
                    Rest("Water", 2),
                    Drill(card("circle-and-go"), 8, 1, 60),
                ]),
            }
        );
        yield return (
            7,
            new Practice
            {
                Title = "Finding the corners",
                Start = new TimeOnly(17, 30),
                Minutes = Today,
                Place = "Saltmarsh hall",
                Blocks = [],
            }
        );
    }

    /// <summary>The newest version of every card, by its id.</summary>
    internal static async Task<IReadOnlyDictionary<string, CardVersion>> CardsAsync(
        TallyDb db,
        CancellationToken cancellationToken
    ) =>
        (await db.CardVersions.ToListAsync(cancellationToken))
            .GroupBy(card => card.CardId)
            .ToDictionary(versions => versions.Key, versions => versions.MaxBy(card => card.Version)!);

    /// <summary>The lines of a sheet of drills alone, a minute apart.</summary>
    internal static List<Block> Lines(
        IEnumerable<(string Card, double Minutes, int Groups)> lines,
        IReadOnlyDictionary<string, CardVersion> cards
    ) => Ordered([.. lines.Select(line => Drill(cards[line.Card], line.Minutes, line.Groups, 60))]);

    private static List<Block> Ordered(Block[] blocks)
    {
        for (var order = 0; order < blocks.Length; order++)
        {
            blocks[order].Order = order;
        }

        return [.. blocks];
    }

    private static Block Drill(CardVersion card, double minutes, int groups, int walk) =>
        new()
        {
            CardVersionId = card.Id,
            Minutes = minutes,
            Groups = groups,
            ChangeSeconds = walk,
        };

    private static Block Rest(string name, double minutes) =>
        new()
        {
            Pause = Pause.Break,
            PauseName = name,
            Minutes = minutes,
        };
}
