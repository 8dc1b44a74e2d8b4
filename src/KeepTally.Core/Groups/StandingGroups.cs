using KeepTally.Core.Identity;

namespace KeepTally.Core.Groups;

/// <summary>Groups that were settled, by hand or for a whole practice, as people come, go or are moved.</summary>
public static class StandingGroups
{
    /// <summary>The groups with those who are here: who is not is left out, who is new joins the smallest group.</summary>
    public static IReadOnlyList<IReadOnlyList<PlayerId>> Mended(
        IReadOnlyList<IReadOnlyList<PlayerId>> groups,
        IReadOnlyList<PlayerId> here
    )
    {
        var known = here.ToHashSet();
        var repaired = groups.Select(group => group.Where(known.Contains).ToList()).ToList();
        var placed = repaired.SelectMany(group => group).ToHashSet();
        foreach (var player in here.Where(player => !placed.Contains(player)))
        {
            repaired.MinBy(group => group.Count)?.Add(player);
        }

        repaired.RemoveAll(group => group.Count == 0);
        return repaired;
    }

    /// <summary>The groups with one player moved to another group. The last of a group stays: a group is never empty.</summary>
    /// <param name="groups">The groups, in order.</param>
    /// <param name="player">The player who moves.</param>
    /// <param name="to">The group gone to, from 0.</param>
    public static IReadOnlyList<IReadOnlyList<PlayerId>> Moved(
        IReadOnlyList<IReadOnlyList<PlayerId>> groups,
        PlayerId player,
        int to
    )
    {
        var from = groups.Index().FirstOrDefault(group => group.Item.Contains(player), (-1, [])).Index;
        if (from < 0 || to < 0 || to >= groups.Count || from == to || groups[from].Count == 1)
        {
            return groups;
        }

        return
        [
            .. groups.Select(
                (group, index) =>
                    index == from ? group.Where(other => other != player).ToArray()
                    : index == to ? [.. group, player]
                    : group
            ),
        ];
    }

    /// <summary>The groups with two players in each other's places.</summary>
    public static IReadOnlyList<IReadOnlyList<PlayerId>> Exchanged(
        IReadOnlyList<IReadOnlyList<PlayerId>> groups,
        PlayerId one,
        PlayerId other
    )
    {
        var all = groups.SelectMany(group => group).ToHashSet();
        return all.Contains(one) && all.Contains(other)
            ?
            [
                .. groups.Select(group =>
                    group
                        .Select(player =>
                            player == one ? other
                            : player == other ? one
                            : player
                        )
                        .ToArray()
                ),
            ]
            : groups;
    }

    /// <summary>
    /// Settled groups in another number: merged in turn where fewer are asked for; where more are, dealt out evenly in
    /// the order they stand in.
    /// </summary>
    public static IReadOnlyList<IReadOnlyList<PlayerId>> Into(IReadOnlyList<IReadOnlyList<PlayerId>> groups, int count) =>
        count == groups.Count ? groups
        : count < groups.Count
            ?
            [
                .. Enumerable
                    .Range(0, count)
                    .Select(index => groups.Where((_, each) => each % count == index).SelectMany(group => group).ToArray()),
            ]
        : Split.Listed([.. groups.SelectMany(group => group)], count);
}
