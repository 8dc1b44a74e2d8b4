using KeepTally.Core.Cards;
using KeepTally.Core.Events;

namespace KeepTally.Core.Dealing;

/// <summary>
/// Deals a court to sides that are not equally large on the card: with one place for a server and two for receivers, three players
/// are one and two, and twelve are four and eight.
/// </summary>
internal static class UnevenSides
{
    /// <summary>Returns the groups with each court's players spread over its sides as their places are.</summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="sides">How many groups stand on a court.</param>
    /// <param name="groups">The groups as they were dealt.</param>
    internal static IReadOnlyList<IReadOnlyList<Member>> Of(Stage stage, int sides, IReadOnlyList<IReadOnlyList<Member>> groups)
    {
        var spots = stage.Sides.Select(side => VersusChoice.SpotsOf(side, stage.Places)).ToArray();
        if (stage.Scores != Scorer.Side || spots.Distinct().Count() < 2 || spots.Contains(0))
        {
            return groups;
        }

        Member[] all = [.. groups.SelectMany(group => group)];
        var courts = groups.Count / sides;
        return
        [
            .. Spread(all, Sizes(all.Length, Enumerable.Repeat(1, courts).ToArray()))
                .SelectMany(court => Spread(court, Sizes(court.Length, spots))),
        ];
    }

    private static IEnumerable<Member[]> Spread(Member[] players, int[] sizes)
    {
        var from = 0;
        foreach (var size in sizes)
        {
            yield return players[from..(from + size)];
            from += size;
        }
    }

    /// <summary>Whole shares by the largest remainder; no side is empty while another has two.</summary>
    private static int[] Sizes(int players, int[] spots)
    {
        var all = spots.Sum();
        var sizes = Array.ConvertAll(spots, spot => players * spot / all);
        foreach (
            var side in spots
                .Select((spot, index) => (Left: players * spot % all, Index: index))
                .OrderByDescending(each => each.Left)
                .ThenBy(each => each.Index)
                .Take(players - sizes.Sum())
        )
        {
            sizes[side.Index]++;
        }

        while (Array.IndexOf(sizes, 0) is >= 0 and var empty && sizes.Max() > 1)
        {
            sizes[Array.IndexOf(sizes, sizes.Max())]--;
            sizes[empty]++;
        }

        return sizes;
    }
}
