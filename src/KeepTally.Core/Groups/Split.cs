using KeepTally.Core.Chance;
using KeepTally.Core.Faults;

namespace KeepTally.Core.Groups;

/// <summary>Even groups, whose sizes differ by one at most. Source: docs/formats.md, section 4, "Split".</summary>
public static class Split
{
    private const int Shuffles = 200;

    /// <summary>Deals players into groups in turn, as listed; sizes differ by one at most.</summary>
    public static IReadOnlyList<IReadOnlyList<T>> Listed<T>(IReadOnlyList<T> players, int groups)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(groups, 1);
        var dealt = Enumerable.Range(0, groups).Select(_ => new List<T>()).ToArray();
        foreach (var (index, player) in players.Index())
        {
            dealt[index % groups].Add(player);
        }

        return dealt;
    }

    /// <summary>
    /// Puts players into groups as wished, the same for the same seed; or says why it cannot be done. Kept pairs always
    /// hold.
    /// </summary>
    public static Result<IReadOnlyList<IReadOnlyList<SplitPlayer>>> Make(IReadOnlyList<SplitPlayer> players, SplitRequest request)
    {
        if (request.Groups < 1 || request.Groups > Math.Max(1, players.Count))
        {
            return Failed(
                "groups",
                $"{players.Count} players do not make {request.Groups} groups",
                $"write a number from 1 to {Math.Max(1, players.Count)}"
            );
        }

        var kept = PairConstraints.Of(players, request);
        if (!kept.IsOk)
        {
            return Result<IReadOnlyList<IReadOnlyList<SplitPlayer>>>.Fail(kept.Faults);
        }

        var bonds = kept.Value;

        var groups = request.Way switch
        {
            SplitWay.Listed => Dealt(players, request),
            SplitWay.Shuffle => Dealt(Shuffled(players, new SeededDraw(request.Seed)), request),
            SplitWay.Level => Snake(players, request),
            SplitWay.Spread => SpreadOut(players, request),
            SplitWay.Fresh => Freshest(players, request),
        };
        if (!bonds.Hold(groups))
        {
            if (bonds.Keep(groups) is not { } found)
            {
                return Failed(
                    "pairs",
                    $"the kept pairs leave no way to make {request.Groups} even groups",
                    "take one pair away, or make another number of groups"
                );
            }

            groups = found;
        }

        if (request.Way is SplitWay.Fresh or SplitWay.Spread || !bonds.IsFree)
        {
            SplitCost.Improve(groups, request, bonds);
        }

        return Result<IReadOnlyList<IReadOnlyList<SplitPlayer>>>.Ok([.. groups]);
    }

    /// <summary>How even groups are, however they were made.</summary>
    public static Evenness Judge(IReadOnlyList<IReadOnlyList<SplitPlayer>> groups, IReadOnlyDictionary<Pair, int> met) =>
        new(SplitCost.LevelGap(groups), SplitCost.PositionGap(groups), SplitCost.Met(groups, met), SplitCost.Uneven(groups));

    private static Result<IReadOnlyList<IReadOnlyList<SplitPlayer>>> Failed(string path, string problem, string fix) =>
        Result<IReadOnlyList<IReadOnlyList<SplitPlayer>>>.Fail([new Fault(path, problem, fix)]);

    private static List<SplitPlayer>[] Dealt(IReadOnlyList<SplitPlayer> players, SplitRequest request) =>
        [.. Listed(players, request.Groups).Select(group => group.ToList())];

    private static SplitPlayer[] Shuffled(IReadOnlyList<SplitPlayer> players, SeededDraw draw)
    {
        var shuffled = players.ToArray();
        for (var i = shuffled.Length - 1; i > 0; i--)
        {
            var other = (int)draw.Below(i + 1);
            (shuffled[i], shuffled[other]) = (shuffled[other], shuffled[i]);
        }

        return shuffled;
    }

    /// <summary>The strongest first, 1 to k and back from k to 1.</summary>
    private static List<SplitPlayer>[] Snake(IReadOnlyList<SplitPlayer> players, SplitRequest request)
    {
        var groups = Enumerable.Range(0, request.Groups).Select(_ => new List<SplitPlayer>()).ToArray();
        foreach (var (index, player) in ByLevel(players).Index())
        {
            var (lap, step) = (index / request.Groups, index % request.Groups);
            groups[lap % 2 == 0 ? step : request.Groups - 1 - step].Add(player);
        }

        return groups;
    }

    /// <summary>Position by position, each player to the smallest group with the fewest of the position, the weakest among those.</summary>
    private static List<SplitPlayer>[] SpreadOut(IReadOnlyList<SplitPlayer> players, SplitRequest request)
    {
        var groups = Enumerable.Range(0, request.Groups).Select(_ => new List<SplitPlayer>()).ToArray();
        var least = players.Count / request.Groups;
        var larger = players.Count % request.Groups;
        foreach (
            var player in ByLevel(players)
                .OrderBy(player => player.Positions.Count > 0 ? player.Positions[0] : "~", StringComparer.Ordinal)
        )
        {
            var full = groups.Count(group => group.Count > least);
            groups
                .Where(group => group.Count < least || (group.Count == least && full < larger))
                .OrderBy(group => player.Positions.Sum(position => group.Count(other => other.Positions.Contains(position))))
                .ThenBy(group => group.Count)
                .ThenBy(group => group.Sum(other => other.Level ?? 0))
                .First()
                .Add(player);
        }

        return groups;
    }

    /// <summary>The best of the shuffles of this seed and the next hundred and ninety-nine.</summary>
    private static List<SplitPlayer>[] Freshest(IReadOnlyList<SplitPlayer> players, SplitRequest request) =>
        Enumerable
            .Range(0, Shuffles)
            .Select(each => Dealt(Shuffled(players, new SeededDraw((long)request.Seed + each)), request))
            .MinBy(groups => SplitCost.Met(groups, request.Met))!;

    private static IEnumerable<SplitPlayer> ByLevel(IReadOnlyList<SplitPlayer> players) =>
        players.OrderByDescending(player => player.Level ?? double.NegativeInfinity);
}
