using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Places;
using KeepTally.Core.Sheets;
using KeepTally.Core.Words;

namespace KeepTally.Store.Practices;

/// <summary>A way of putting players into so many groups.</summary>
public delegate IReadOnlyList<IReadOnlyList<Member>> DealGroups(IReadOnlyList<Member> players, int groups);

/// <summary>Deals the players of a practice onto the tally sheets of a drill.</summary>
public static class SheetDealer
{
    /// <summary>
    /// A sheet for each group of players; in a match a sheet for each court, its players dealt over the sides; where
    /// groups score, one sheet with a unit for each group. There are never more groups than players.
    /// </summary>
    public static IReadOnlyList<(string Name, LogHead Head)> Deal(
        DrillCard card,
        int stageIndex,
        IReadOnlyList<Member> players,
        int groups,
        DealGroups? deal = null
    )
    {
        deal ??= Split.Listed;
        var stage = card.Stages[stageIndex];
        var dealt = deal(players, Math.Clamp(groups, 1, Math.Max(1, players.Count)));
        var units = stage.Scores switch
        {
            Scorer.Player => dealt.Select(group => Singles(group)),
            Scorer.Side => dealt.Select(group => Sides(stage, group, deal)),
            Scorer.Group or Scorer.None => [Groups(dealt)],
        };
        var sheets = units.ToArray();
        return
        [
            .. sheets.Select(
                (each, index) => (sheets.Length == 1 ? "" : Letters.Of(index), new LogHead(card.Id, stageIndex, card.Chosen, each))
            ),
        ];
    }

    /// <summary>
    /// Why players cannot be dealt onto a stage, or null where they can: a card may ask for a unit by a name that is
    /// neither a side nor given to anybody here.
    /// </summary>
    public static Fault? Unfit(DrillCard card, int stageIndex)
    {
        var players = Enumerable
            .Range(1, 2 + card.Stages[stageIndex].Sides.Count)
            .Select(n => new Member($"p{n}", $"{n}"))
            .ToArray();
        var (_, head) = Deal(card, stageIndex, players, 2)[0];
        var opened = LiveSheet.Open(card, head);
        return opened.IsRead
            ? null
            : new Fault($"stages[{stageIndex}]", opened.Faults[0].Problem, "name one of the sides, or take the name out");
    }

    private static Unit[] Singles(IReadOnlyList<Member> group) => [.. group.Select(player => new Unit(player.Id, player.Name, []))];

    private static Unit[] Sides(Stage stage, IReadOnlyList<Member> group, DealGroups deal) =>
        [.. stage.Sides.Zip(deal(group, stage.Sides.Count), (side, players) => new Unit(side, Title(side), players))];

    private static Unit[] Groups(IReadOnlyList<IReadOnlyList<Member>> dealt) =>
        [.. dealt.Select((group, index) => new Unit($"g{index + 1}", $"Group {Letters.Of(index)}", group))];

    private static string Title(string id) => char.ToUpperInvariant(id[0]) + id[1..].Replace('-', ' ');
}
