using KeepTally.Core.Faults;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Groups;

/// <summary>Pairs that are kept together or apart, and the search for groups in which all of them hold.</summary>
internal sealed class PairConstraints
{
    /// <summary>Beyond so many tries it is said that no way was found; a squad of thirty needs a few hundred.</summary>
    private const int Patience = 200_000;

    private readonly SplitRequest _wish;
    private readonly List<SplitPlayer[]> _blocks;
    private int _tries;

    private PairConstraints(SplitRequest request, List<SplitPlayer[]> blocks) => (_wish, _blocks) = (request, blocks);

    /// <summary>Nobody is kept together with or apart from any player.</summary>
    internal bool IsFree => _wish.Apart.Count == 0 && _wish.Together.Count == 0;

    internal static int LargestGroup(int players, int groups) => (players + groups - 1) / groups;

    /// <summary>The bonds of a wish, or the fault that makes them impossible whatever the groups.</summary>
    internal static Result<PairConstraints> Of(IReadOnlyList<SplitPlayer> players, SplitRequest request)
    {
        var blocks = Blocks(players, request);
        if (blocks.FirstOrDefault(block => Torn(block, request.Apart)) is { } torn)
        {
            return new Fault("pairs", $"{Names(torn)} are kept together and apart at once", "take one of the pairs away");
        }

        if (blocks.FirstOrDefault(block => block.Length > LargestGroup(players.Count, request.Groups)) is { } large)
        {
            return new Fault(
                "pairs",
                $"{Names(large)} are kept together, and no group is that large",
                "make fewer groups, or take a pair away"
            );
        }

        return Result.Ok(new PairConstraints(request, blocks));
    }

    internal bool Hold(IReadOnlyList<IReadOnlyList<SplitPlayer>> groups)
    {
        if (IsFree)
        {
            return true;
        }

        var where = new Dictionary<PlayerId, int>();
        foreach (var (index, group) in groups.Index())
        {
            foreach (var player in group)
            {
                where[player.Id] = index;
            }
        }

        return _wish.Together.All(pair => !Both(where, pair) || where[pair.One] == where[pair.Other])
            && _wish.Apart.All(pair => !Both(where, pair) || where[pair.One] != where[pair.Other]);
    }

    /// <summary>Groups in which every bond holds, each player in the group of a first draft where that can be; null where there are none.</summary>
    internal List<SplitPlayer>[]? Keep(IReadOnlyList<IReadOnlyList<SplitPlayer>> draft)
    {
        var first = draft
            .SelectMany((group, index) => group.Select(player => (player.Id, index)))
            .ToDictionary(each => each.Id, each => each.index);
        var total = draft.Sum(group => group.Count);
        var groups = draft.Select(_ => new List<SplitPlayer>()).ToArray();
        var bound = _blocks
            .OrderByDescending(block => block.Length)
            .ThenByDescending(block =>
                block.Sum(player => _wish.Apart.Count(pair => pair.One == player.Id || pair.Other == player.Id))
            )
            .ToArray();
        _tries = 0;
        return Place(bound, 0, groups, first, total) ? groups : null;
    }

    private bool Place(SplitPlayer[][] blocks, int next, List<SplitPlayer>[] groups, Dictionary<PlayerId, int> first, int total)
    {
        if (next == blocks.Length)
        {
            return groups.Max(group => group.Count) - groups.Min(group => group.Count) <= 1;
        }

        var block = blocks[next];
        var most = LargestGroup(total, groups.Length);
        var allowedLarge = total % groups.Length == 0 ? groups.Length : total % groups.Length;
        foreach (
            var index in Enumerable
                .Range(0, groups.Length)
                .OrderBy(index => index == first[block[0].Id] ? 0 : 1)
                .ThenBy(index => groups[index].Count)
        )
        {
            var group = groups[index];
            if (
                ++_tries > Patience
                || group.Count + block.Length > most
                || (group.Count + block.Length == most && groups.Count(each => each.Count == most) >= allowedLarge)
                || group.Any(other => block.Any(player => _wish.Apart.Contains(new Pair(player.Id, other.Id))))
            )
            {
                continue;
            }

            group.AddRange(block);
            if (Place(blocks, next + 1, groups, first, total))
            {
                return true;
            }

            group.RemoveRange(group.Count - block.Length, block.Length);
        }

        return false;
    }

    private static List<SplitPlayer[]> Blocks(IReadOnlyList<SplitPlayer> players, SplitRequest request)
    {
        var block = Enumerable.Range(0, players.Count).ToArray();
        var index = players.Index().ToDictionary(each => each.Item.Id, each => each.Index);
        foreach (var pair in request.Together.Where(pair => index.ContainsKey(pair.One) && index.ContainsKey(pair.Other)))
        {
            var (from, to) = (block[index[pair.One]], block[index[pair.Other]]);
            for (var i = 0; i < block.Length; i++)
            {
                block[i] = block[i] == from ? to : block[i];
            }
        }

        return [.. players.Index().GroupBy(each => block[each.Index], each => each.Item).Select(each => each.ToArray())];
    }

    private static bool Torn(SplitPlayer[] block, IReadOnlySet<Pair> apart) =>
        block.Any(one => block.Any(other => one.Id != other.Id && apart.Contains(new Pair(one.Id, other.Id))));

    private static bool Both(Dictionary<PlayerId, int> where, Pair pair) =>
        where.ContainsKey(pair.One) && where.ContainsKey(pair.Other);

    private static string Names(IEnumerable<SplitPlayer> players) =>
        string.Join(", ", players.Select(player => player.Name ?? player.Id.Value));
}
