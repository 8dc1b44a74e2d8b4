using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;

namespace KeepTally.Core.Dealing;

/// <summary>A way of putting players into so many groups, or why it cannot be done.</summary>
public delegate Result<IReadOnlyList<IReadOnlyList<Member>>> DealGroups(IReadOnlyList<Member> players, int groups);

/// <summary>Deals the players of a practice onto the tally sheets of a drill.</summary>
public static class StageDealer
{
    /// <summary>
    /// The groups a stage asks for: as many as wished, in a match so many courts with a group for each side. There are
    /// never more groups than players.
    /// </summary>
    public static Result<IReadOnlyList<IReadOnlyList<Member>>> Groups(
        Stage stage,
        IReadOnlyList<Member> players,
        int groups,
        DealGroups deal
    )
    {
        var sides = SidesOf(stage);
        var wanted = Math.Clamp(groups, 1, Math.Max(1, players.Count / sides)) * sides;
        var made = deal(players, Math.Clamp(wanted, 1, Math.Max(1, players.Count)));
        if (!made.IsOk)
        {
            return made;
        }

        IReadOnlyList<IReadOnlyList<Member>> all =
        [
            .. made.Value,
            .. Enumerable.Repeat<IReadOnlyList<Member>>([], Math.Max(0, wanted - made.Value.Count)),
        ];
        return Result.Ok(UnevenSides.Of(stage, sides, all));
    }

    /// <summary>
    /// A sheet for each group of players; in a match a sheet for each court, with a group on each side. Where groups score,
    /// a sheet for each if each has places of its own, else one sheet with a unit for each group.
    /// </summary>
    public static IReadOnlyList<DealtSheet> Sheets(DrillCard card, int stageIndex, IReadOnlyList<IReadOnlyList<Member>> groups)
    {
        var stage = card.Stages[stageIndex];
        Unit[][] sheets = stage.Scores switch
        {
            Scorer.Player => [.. groups.Select(Singles)],
            Scorer.Side => [.. groups.Chunk(SidesOf(stage)).Select(court => Sides(stage, court))],
            Scorer.Group or Scorer.None when HasOwnPlaces(stage) =>
            [
                .. groups.Select((group, index) => new[] { GroupUnit(index, group) }),
            ],
            Scorer.Group or Scorer.None =>
            [
                [.. groups.Select((group, index) => GroupUnit(index, group))],
            ],
        };
        return
        [
            .. sheets.Select(
                (units, index) =>
                    new DealtSheet(
                        sheets.Length == 1 ? "" : Letters.Of(index),
                        new LogHead(card.Id, stageIndex, card.Chosen, units)
                    )
            ),
        ];
    }

    /// <summary>Groups in turn, as listed, and their sheets.</summary>
    public static IReadOnlyList<DealtSheet> Deal(DrillCard card, int stageIndex, IReadOnlyList<Member> players, int groups) =>
        Sheets(card, stageIndex, Groups(card.Stages[stageIndex], players, groups, Listed).Require());

    /// <summary>The names of a stage's groups, in the order of <see cref="Groups"/>.</summary>
    public static string NameOf(Stage stage, int index, int count)
    {
        var sides = SidesOf(stage);
        return stage.Scores == Scorer.Side
            ? count > sides
                ? $"{Letters.Of(index / sides)}, {Title(stage.Sides[index % sides])}"
                : Title(stage.Sides[index])
            : count == 1
                ? "All"
                : Letters.Of(index);
    }

    /// <summary>How many groups stand against each other on a court of the stage.</summary>
    public static int SidesOf(Stage stage) => stage.Scores == Scorer.Side ? Math.Max(1, stage.Sides.Count) : 1;

    /// <summary>
    /// Why players cannot be dealt onto a stage, or null where they can: a card may ask for a unit by a name that is
    /// neither a side nor given to any player here.
    /// </summary>
    public static Fault? Unfit(DrillCard card, int stageIndex)
    {
        var players = Enumerable
            .Range(1, 2 + card.Stages[stageIndex].Sides.Count)
            .Select(n => new Member(new PlayerId($"p{n}"), $"{n}"))
            .ToArray();
        var opened = Score.Open(card, Deal(card, stageIndex, players, 2)[0].Head);
        return opened.IsOk
            ? null
            : new Fault($"stages[{stageIndex}]", opened.Faults[0].Problem, "name one of the sides, or take the name out");
    }

    /// <summary>Every group plays at the same time, each on its own court, as the card's places are for one of them.</summary>
    private static bool HasOwnPlaces(Stage stage) => stage is { Play: Play.Together, Places.Count: > 0 };

    /// <summary>A group as one that carries a score.</summary>
    internal static Unit GroupUnit(int index, IReadOnlyList<Member> players) =>
        new(new PlayerId($"g{index + 1}"), $"Group {Letters.Of(index)}", players);

    private static Result<IReadOnlyList<IReadOnlyList<Member>>> Listed(IReadOnlyList<Member> players, int groups) =>
        Result.Ok<IReadOnlyList<IReadOnlyList<Member>>>(Split.Listed(players, groups));

    private static Unit[] Singles(IReadOnlyList<Member> group) =>
        [.. group.Select(player => new Unit(player.Id, player.Name, [], player.Number))];

    private static Unit[] Sides(Stage stage, IReadOnlyList<Member>[] court) =>
        [.. stage.Sides.Zip(court, (side, players) => new Unit(new PlayerId(side), Title(side), players))];

    private static string Title(string id) => char.ToUpperInvariant(id[0]) + id[1..].Replace('-', ' ');
}
