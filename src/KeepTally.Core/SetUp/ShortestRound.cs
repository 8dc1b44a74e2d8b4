using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>
/// The shortest way to walk past some spots, paced along and across: exact for up to <see cref="Exact"/> of them (by the order
/// of subsets, Held and Karp 1962), by the nearest next and exchanges beyond.
/// </summary>
public static class ShortestRound
{
    /// <summary>Up to so many spots the order is the shortest there is.</summary>
    public const int Exact = 12;

    /// <summary>The order to walk in, as indexes into the spots, and the start it begins at.</summary>
    /// <param name="starts">Where the walk may begin; at least one.</param>
    /// <param name="spots">What is walked past.</param>
    public static (int Start, int[] Order) Of(IReadOnlyList<Spot> starts, IReadOnlyList<Spot> spots)
    {
        if (spots.Count == 0)
        {
            return (0, []);
        }

        var order = spots.Count <= Exact ? BySubsets(starts, spots) : ByExchange(starts, spots);
        return (StartOf(starts, spots[order[0]]), order);
    }

    /// <summary>How long a walk is, in metres, from the start that is nearest to its first spot.</summary>
    public static double Length(IReadOnlyList<Spot> starts, IReadOnlyList<Spot> spots, IReadOnlyList<int> order) =>
        order.Count == 0
            ? 0
            : starts.Min(start => start.Paced(spots[order[0]]))
                + order.Zip(order.Skip(1)).Sum(leg => spots[leg.First].Paced(spots[leg.Second]));

    private static int StartOf(IReadOnlyList<Spot> starts, Spot first) =>
        Enumerable.Range(0, starts.Count).MinBy(start => starts[start].Paced(first));

    private static int[] BySubsets(IReadOnlyList<Spot> starts, IReadOnlyList<Spot> spots)
    {
        var n = spots.Count;
        var all = 1 << n;
        var length = new double[all, n];
        var before = new int[all, n];
        for (var seen = 1; seen < all; seen++)
        {
            for (var last = 0; last < n; last++)
            {
                if ((seen & (1 << last)) == 0)
                {
                    continue;
                }

                var rest = seen & ~(1 << last);
                (length[seen, last], before[seen, last]) =
                    rest == 0 ? (starts.Min(start => start.Paced(spots[last])), -1) : Nearest(rest, last);
            }
        }

        var order = new int[n];
        var (end, left) = (Enumerable.Range(0, n).MinBy(last => length[all - 1, last]), all - 1);
        for (var at = n - 1; at >= 0; at--)
        {
            order[at] = end;
            (left, end) = (left & ~(1 << end), before[left, end]);
        }

        return order;

        (double, int) Nearest(int rest, int last)
        {
            var (best, from) = (double.PositiveInfinity, -1);
            for (var i = 0; i < n; i++)
            {
                if ((rest & (1 << i)) != 0 && length[rest, i] + spots[i].Paced(spots[last]) is var way && way < best)
                {
                    (best, from) = (way, i);
                }
            }

            return (best, from);
        }
    }

    private static int[] ByExchange(IReadOnlyList<Spot> starts, IReadOnlyList<Spot> spots)
    {
        var order = NearestNext(starts, spots);
        for (var better = true; better; )
        {
            better = false;
            for (var i = 0; i < order.Length; i++)
            {
                for (var j = i + 1; j < order.Length; j++)
                {
                    int[] turned = [.. order[..i], .. order[i..(j + 1)].Reverse(), .. order[(j + 1)..]];
                    if (Length(starts, spots, turned) < Length(starts, spots, order) - 1e-9)
                    {
                        (order, better) = (turned, true);
                    }
                }
            }
        }

        return order;
    }

    private static int[] NearestNext(IReadOnlyList<Spot> starts, IReadOnlyList<Spot> spots)
    {
        var left = Enumerable.Range(0, spots.Count).ToList();
        var order = new List<int> { left.MinBy(each => starts.Min(start => start.Paced(spots[each]))) };
        left.Remove(order[0]);
        while (left.Count > 0)
        {
            order.Add(left.MinBy(each => spots[order[^1]].Paced(spots[each])));
            left.Remove(order[^1]);
        }

        return [.. order];
    }
}
