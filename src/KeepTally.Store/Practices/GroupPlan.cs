using System.Text.Json;
using KeepTally.Core.Cards;
using KeepTally.Core.Circuits;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Planning;
using KeepTally.Core.Text;
using KeepTally.Store.Book;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>
/// Who is in which group in each drill of a practice: the same before the start and at the start, since it
/// follows from what is written down alone: who is here, how groups are made, and what was settled by hand.
/// </summary>
public sealed class GroupPlan(SquadBook squad, PairBook pairs, PartnerMemory partners, PlayerLevels levels, TextCache texts)
{
    /// <summary>The groups of each drill of a practice, as they would be dealt now.</summary>
    /// <param name="practice">The practice.</param>
    /// <param name="players">The squad, where it was read already; null to read it.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<PlannedGroups> OfAsync(
        Practice practice,
        IReadOnlyList<Player>? players = null,
        CancellationToken cancellationToken = default
    )
    {
        var facts = await GroupFacts.GatherAsync(practice, squad, pairs, partners, levels, players, cancellationToken);
        var settled = Written(practice.SettledJson) is { Count: > 0 } lists
            ? facts.Judge(facts.MembersOf(StandingGroups.Mended(lists, facts.Here)), (index, _) => Letters.Of(index))
            : null;
        var dealt = new List<DealtBlock>();
        foreach (var block in practice.Blocks)
        {
            var made = Make(block, settled, facts);
            dealt.Add(made);
            facts.Remember(made);
        }

        return new PlannedGroups(facts.Here.Count, settled, dealt, facts.WithoutLevel);
    }

    /// <summary>Groups as they are kept: a JSON list of lists of unit ids; empty where nothing is written.</summary>
    internal static IReadOnlyList<IReadOnlyList<PlayerId>> Written(string json) =>
        json.Length == 0
            ? []
            : [.. JsonSerializer.Deserialize<string[][]>(json)!.Select(group => group.Select(id => new PlayerId(id)).ToArray())];

    internal static string Written(IEnumerable<IReadOnlyList<PlayerId>> groups) =>
        JsonSerializer.Serialize(groups.Select(group => group.Select(player => player.Value)));

    private DealtBlock Make(Block block, DealtGroups? settled, GroupFacts facts)
    {
        if (block.IsPause)
        {
            return OfPause(block, facts);
        }

        var read = CardsOf(block);
        if (read.FirstOrDefault(card => !card.IsOk) is { } unreadable)
        {
            return new DealtBlock(block, [], null, [], unreadable.Faults[0].For("its card cannot be read"), null);
        }

        DrillCard[] cards = [.. read.Select(card => card.Require())];
        // At a circuit a limit keeps a player from a station, not from the group.
        var allowed = facts.Members.Where(player => block.Circuit is not null || facts.May(player, cards[0])).ToArray();
        if (allowed.Length < 2)
        {
            return new DealtBlock(block, cards, null, [], null, null);
        }

        var stage = block.Circuit is null ? cards[0].Stages[block.Stage] : null;
        var (count, bound) = CountOf(block, cards, allowed.Length, facts.Means);
        var groups =
            StandingOf(block, stage, settled, allowed) is { } standing
                ? Result.Ok<IReadOnlyList<IReadOnlyList<Member>>>(facts.MembersOf(standing))
            : stage is null ? facts.Deal(allowed, Math.Min(count, allowed.Length))
            : StageDealer.Groups(stage, allowed, count, facts.Deal);
        if (!groups.IsOk)
        {
            return new DealtBlock(block, cards, null, [], groups.Faults[0], bound);
        }

        int? versus = stage is null ? null : VersusChoice.For(stage, groups.Value.Min(group => group.Count), block.Versus);
        if (stage is not null)
        {
            cards = [VersusChoice.Played(cards[0], block.Stage, versus)];
        }

        var sheets = block.Circuit is { } way
            ?
            [
                .. CircuitDealer
                    .Sheets(block.Title, CircuitPlans.Of(way, cards), groups.Value, facts.May, facts.Squad)
                    .Select(Planned),
            ]
            : Benched(StageDealer.Sheets(cards[0], block.Stage, groups.Value), cards[0], facts);
        return new DealtBlock(
            block,
            cards,
            facts.Judge(groups.Value, (index, all) => stage is null ? Letters.Of(index) : StageDealer.NameOf(stage, index, all)),
            sheets,
            null,
            bound
        )
        {
            Versus = versus,
        };
    }

    /// <summary>A break and a talk are for everybody, on one sheet that only keeps the time.</summary>
    private DealtBlock OfPause(Block block, GroupFacts facts)
    {
        var text = PauseCard.Write(block.PauseName, block.Minutes);
        var card = texts.Read(text).Require();
        var sheet = StageDealer.Sheets(card, 0, [facts.Members])[0];
        return new DealtBlock(
            block,
            [card],
            null,
            [.. Benched([sheet], card, facts).Select(each => each with { CardJson = text })],
            null,
            null
        );
    }

    /// <summary>The card of a block, in a circuit that of each station; or why one no longer reads.</summary>
    private Result<DrillCard>[] CardsOf(Block block) =>
        block.Circuit is { } circuit
            ? [.. circuit.Stations.Select(station => texts.Read(station.CardVersion!.Json))]
            : [texts.Read(block.CardVersion!.Json, ChosenRules.Of(block))];

    private static PlannedSheet Planned(StationSheet sheet) => new(sheet.Name, sheet.Head, sheet.CardJson, sheet.Stop);

    private static (int Count, GroupBound? Bound) CountOf(Block block, DrillCard[] cards, int players, Resources means)
    {
        switch (block.GroupsBy)
        {
            case GroupsBy.Number:
                return (block.Groups, null);
            case GroupsBy.Size:
                return (GroupCount.OfSize(players, block.Groups), null);
            case GroupsBy.Most:
                var (groups, by) = GroupCount.Most(cards[0], players, means);
                return (groups, by);
            default:
                throw new InvalidOperationException("A count of groups that no rule knows.");
        }
    }

    /// <summary>The groups that were made by hand, or settled for the practice, with those who may take part; null where they are dealt.</summary>
    private static IReadOnlyList<IReadOnlyList<PlayerId>>? StandingOf(
        Block block,
        Stage? stage,
        DealtGroups? settled,
        Member[] allowed
    )
    {
        var ids = allowed.Select(player => player.Id).ToArray();
        var sides = stage is null ? 1 : StageDealer.SidesOf(stage);
        if (settled is not null)
        {
            var whole = StandingGroups.Mended(
                [.. settled.Groups.Select(group => group.Players.Select(player => player.Id).ToArray())],
                ids
            );
            var courts = Math.Clamp(block.Groups, 1, Math.Max(1, whole.Count / sides));
            return sides == 1 ? whole : StandingGroups.Into(whole, courts * sides);
        }

        var byHand = StandingGroups.Mended(Written(block.ByHandJson), ids);
        return byHand.Count > 0 && byHand.Count % sides == 0 ? byHand : null;
    }

    /// <summary>Anyone who is not on a sheet may come in on it, unless a limit keeps them from the drill.</summary>
    private static PlannedSheet[] Benched(IReadOnlyList<DealtSheet> sheets, DrillCard card, GroupFacts facts) =>
        [
            .. sheets.Select(sheet =>
            {
                var on = sheet.Head.Units.SelectMany(unit => unit.People).Select(player => player.Id).ToHashSet();
                Member[] bench = [.. facts.Squad.Where(player => !on.Contains(player.Id) && facts.May(player, card))];
                return new PlannedSheet(sheet.Name, sheet.Head with { Bench = bench });
            }),
        ];
}

/// <summary>The groups of each drill of a practice.</summary>
/// <param name="Here">How many are here at all.</param>
/// <param name="Settled">The groups settled for the whole practice, or null.</param>
/// <param name="Blocks">The blocks, in order.</param>
/// <param name="WithoutLevel">Who has no result to be made level by, where groups are made level.</param>
public sealed record PlannedGroups(
    int Here,
    DealtGroups? Settled,
    IReadOnlyList<DealtBlock> Blocks,
    IReadOnlyList<string> WithoutLevel
);
