using KeepTally.Core.Cards;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>The facts that groups of a practice are made from.</summary>
internal sealed class GroupFacts
{
    private readonly Practice _practice;
    private readonly Dictionary<PlayerId, Player> _players;
    private readonly Dictionary<PlayerId, Restrictions> _limits;
    private readonly Dictionary<Pair, int> _met;
    private readonly IReadOnlyDictionary<PlayerId, double> _levels;
    private readonly IReadOnlySet<Pair> _together;
    private readonly IReadOnlySet<Pair> _apart;

    private GroupFacts(
        Practice practice,
        IReadOnlyList<Player> players,
        IReadOnlyList<KeptPair> pairs,
        Dictionary<Pair, int> met,
        IReadOnlyDictionary<PlayerId, double> levels
    )
    {
        _practice = practice;
        _players = players.ToDictionary(player => player.UnitId);
        _limits = practice.Attendance.ToDictionary(each => Player.UnitIdOf(each.PlayerId), each => each.Limits);
        _met = met;
        _levels = levels;
        _together = PairBook.Of(pairs, together: true);
        _apart = PairBook.Of(pairs, together: false);
        var absent = PracticeBook.Absent(practice);
        Squad = [.. players.Select(player => new Member(player.UnitId, player.Name, player.Number))];
        Here = [.. players.Where(player => !absent.Contains(player.Id)).Select(player => player.UnitId)];
        Members = MembersOf(Here);
    }

    /// <summary>Everyone of the squad.</summary>
    internal IReadOnlyList<Member> Squad { get; }

    internal IReadOnlyList<PlayerId> Here { get; }

    internal IReadOnlyList<Member> Members { get; }

    internal Resources Means => new(_practice.Balls, _practice.Courts, _practice.Coaches);

    /// <summary>The players who are here without a result to level by; empty where groups are not made level.</summary>
    internal IReadOnlyList<string> WithoutLevel =>
        _levels.Count == 0 ? [] : [.. Members.Where(player => !_levels.ContainsKey(player.Id)).Select(player => player.Name)];

    internal static async Task<GroupFacts> GatherAsync(
        Practice practice,
        SquadBook squad,
        PairBook pairs,
        PartnerMemory partners,
        PlayerLevels levels,
        IReadOnlyList<Player>? players,
        CancellationToken cancellationToken
    ) =>
        new(
            practice,
            [
                .. players ?? await squad.ListAsync(practice.TeamId, cancellationToken),
                .. (await squad.FormerAsync(practice.TeamId, cancellationToken)).Where(player => IsGuest(practice, player)),
            ],
            await pairs.ListAsync(practice.TeamId, cancellationToken),
            await partners.BeforeAsync(practice, cancellationToken),
            await levels.OfAsync(practice.TeamId, practice.LevelBy, cancellationToken)
        );

    /// <summary>A player who is not in the squad, and is here today.</summary>
    private static bool IsGuest(Practice practice, Player player) =>
        practice.Attendance.Any(each => each.PlayerId == player.Id && each.Presence == Presence.Here);

    internal bool May(Member player, DrillCard card) => !Participation.Forbids(_limits.GetValueOrDefault(player.Id), card);

    internal Result<IReadOnlyList<IReadOnlyList<Member>>> Deal(IReadOnlyList<Member> players, int groups)
    {
        if (groups == 1)
        {
            // Nothing is split, so nobody can be kept apart; the plan tells where a pair is not kept.
            return Result.Ok<IReadOnlyList<IReadOnlyList<Member>>>([players]);
        }

        var request = new SplitRequest(_practice.Split, groups, _practice.SplitSeed, _apart, _together, _met);
        var made = Split.Make([.. players.Select(Known)], request);
        return made.IsOk
            ? Result.Ok<IReadOnlyList<IReadOnlyList<Member>>>(
                MembersOf([.. made.Value.Select(group => group.Select(player => player.Id).ToArray())])
            )
            : Result.Fail<IReadOnlyList<IReadOnlyList<Member>>>(made.Faults);
    }

    internal IReadOnlyList<IReadOnlyList<Member>> MembersOf(IReadOnlyList<IReadOnlyList<PlayerId>> groups) =>
        [.. groups.Select(MembersOf)];

    /// <param name="groups">The groups that are judged.</param>
    /// <param name="name">What a group is called, from its index and how many there are.</param>
    internal DealtGroups Judge(IReadOnlyList<IReadOnlyList<Member>> groups, Func<int, int, string> name)
    {
        var known = groups.Select(group => group.Select(Known).ToArray()).ToArray();
        var where = groups
            .SelectMany((group, index) => group.Select(player => (player.Id, index)))
            .ToDictionary(each => each.Id, each => each.index);
        return new DealtGroups(
            [.. groups.Select((group, index) => new DealtGroup(name(index, groups.Count), group))],
            Split.Judge(known, _met),
            [.. Broken(_apart, "kept apart", same: true), .. Broken(_together, "kept together", same: false)]
        );

        IEnumerable<string> Broken(IReadOnlySet<Pair> pairs, string words, bool same) =>
            pairs
                .Where(pair => where.ContainsKey(pair.One) && where.ContainsKey(pair.Other))
                .Where(pair => where[pair.One] == where[pair.Other] == same)
                .Select(pair => $"{_players[pair.One].Name} and {_players[pair.Other].Name} are {words}");
    }

    /// <summary>Partners of a drill are not fresh in the next one.</summary>
    internal void Remember(DealtBlock block) =>
        Partners.Add(_met, (block.Groups?.Groups ?? []).Select(group => group.Players.Select(player => player.Id).ToArray()));

    private Member[] MembersOf(IReadOnlyList<PlayerId> ids) =>
        [.. ids.Select(id => new Member(id, _players[id].Name, _players[id].Number))];

    private SplitPlayer Known(Member player) =>
        new(
            player.Id,
            _players[player.Id].Positions.Split(';', StringSplitOptions.RemoveEmptyEntries),
            _levels.TryGetValue(player.Id, out var level) ? level : null,
            player.Name
        );
}
