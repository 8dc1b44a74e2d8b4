namespace KeepTally.Core.Groups;

/// <summary>The cost of a split, and the exchanges that lower it.</summary>
internal static class SplitCost
{
    internal static int Met(IReadOnlyList<IReadOnlyList<SplitPlayer>> groups, IReadOnlyDictionary<Pair, int> met) =>
        groups.Sum(group => MetIn(group, met));

    internal static int PositionGap(IReadOnlyList<IReadOnlyList<SplitPlayer>> groups) =>
        groups
            .SelectMany(group => group)
            .SelectMany(player => player.Positions)
            .Distinct()
            .Sum(position =>
            {
                var counts = groups.Select(group => group.Count(player => player.Positions.Contains(position))).ToArray();
                return counts.Max() - counts.Min();
            });

    /// <summary>Positions of which one group has two or more besides what another has.</summary>
    internal static IReadOnlyList<(string Position, int Most, int Fewest)> Uneven(
        IReadOnlyList<IReadOnlyList<SplitPlayer>> groups
    ) =>
        [
            .. groups
                .SelectMany(group => group)
                .SelectMany(player => player.Positions)
                .Distinct()
                .Select(position =>
                    (Position: position, Counts: groups.Select(group => group.Count(player => player.Positions.Contains(position))))
                )
                .Select(each => (each.Position, Most: each.Counts.Max(), Fewest: each.Counts.Min()))
                .Where(each => each.Most - each.Fewest > 1),
        ];

    internal static double? LevelGap(IReadOnlyList<IReadOnlyList<SplitPlayer>> groups)
    {
        var levels = groups
            .Select(group => group.Select(player => player.Level).OfType<double>().DefaultIfEmpty(double.NaN).Average())
            .Where(average => !double.IsNaN(average))
            .ToArray();
        return levels.Length < 2 ? null : levels.Max() - levels.Min();
    }

    /// <summary>Exchanges two players as long as that makes the split better; sizes and kept pairs stay as they are.</summary>
    internal static void Improve(List<SplitPlayer>[] groups, SplitRequest request, PairConstraints bonds)
    {
        var best = Of(groups, request);
        for (var better = true; better; )
        {
            better = false;
            foreach (var (here, there) in Exchanges(groups))
            {
                Exchange(groups, here, there);
                var cost = Of(groups, request);
                if (cost.CompareTo(best) < 0 && bonds.Hold(groups))
                {
                    (best, better) = (cost, true);
                }
                else
                {
                    Exchange(groups, here, there);
                }
            }
        }
    }

    /// <summary>The costs of a split in order of weight.</summary>
    private static (double First, double Next) Of(List<SplitPlayer>[] groups, SplitRequest request) =>
        request.Way switch
        {
            SplitWay.Fresh => (Met(groups, request.Met), 0),
            SplitWay.Spread => (PositionGap(groups), LevelGap(groups) ?? 0),
            SplitWay.Level => (LevelGap(groups) ?? 0, 0),
            SplitWay.Listed or SplitWay.Shuffle => (0, 0),
        };

    private static int MetIn(IReadOnlyList<SplitPlayer> group, IReadOnlyDictionary<Pair, int> met)
    {
        if (met.Count == 0)
        {
            return 0;
        }

        var sum = 0;
        for (var i = 0; i < group.Count; i++)
        {
            for (var j = i + 1; j < group.Count; j++)
            {
                sum += met.GetValueOrDefault(new Pair(group[i].Id, group[j].Id));
            }
        }

        return sum;
    }

    private static IEnumerable<((int Group, int Index) Here, (int Group, int Index) There)> Exchanges(List<SplitPlayer>[] groups)
    {
        for (var a = 0; a < groups.Length; a++)
        {
            for (var b = a + 1; b < groups.Length; b++)
            {
                for (var i = 0; i < groups[a].Count; i++)
                {
                    for (var j = 0; j < groups[b].Count; j++)
                    {
                        yield return ((a, i), (b, j));
                    }
                }
            }
        }
    }

    private static void Exchange(List<SplitPlayer>[] groups, (int Group, int Index) here, (int Group, int Index) there) =>
        (groups[here.Group][here.Index], groups[there.Group][there.Index]) = (
            groups[there.Group][there.Index],
            groups[here.Group][here.Index]
        );
}
