using KeepTally.Core.Identity;

namespace KeepTally.Core.Groups;

/// <summary>How players fall into groups. Source: docs/formats.md, section 4, "Split".</summary>
public enum SplitWay
{
    /// <summary>In turn, as listed.</summary>
    Listed,

    /// <summary>By chance, the same for the same seed.</summary>
    Shuffle,

    /// <summary>By a chosen result, in snake order.</summary>
    Level,

    /// <summary>Positions as even as can be, then level.</summary>
    Spread,

    /// <summary>Fewest pairs that were together lately.</summary>
    Fresh,
}

/// <summary>A player to be put into a group.</summary>
/// <param name="Id">The id of the player.</param>
/// <param name="Positions">The positions the player can take.</param>
/// <param name="Name">What they are called where something is said of them; the id where it is left out.</param>
/// <param name="Level">The result by which groups are made level, high is strong; null where there is none.</param>
public sealed record SplitPlayer(PlayerId Id, IReadOnlyList<string> Positions, double? Level, string? Name = null);

/// <summary>Two players, in no order.</summary>
public readonly record struct Pair
{
    /// <summary>The pair of two players, in either order.</summary>
    public Pair(PlayerId one, PlayerId other) =>
        (One, Other) = string.CompareOrdinal(one.Value, other.Value) <= 0 ? (one, other) : (other, one);

    /// <summary>The player whose id comes first.</summary>
    public PlayerId One { get; }

    /// <summary>The other player.</summary>
    public PlayerId Other { get; }
}

/// <summary>The ways to split players into groups.</summary>
/// <param name="Way">The way groups are made.</param>
/// <param name="Groups">The number of groups.</param>
/// <param name="Seed">The seed of the draw.</param>
/// <param name="Apart">Pairs that must not be in one group.</param>
/// <param name="Together">Pairs that must be.</param>
/// <param name="Met">How often pairs were in one group lately.</param>
public sealed record SplitRequest(
    SplitWay Way,
    int Groups,
    int Seed,
    IReadOnlySet<Pair> Apart,
    IReadOnlySet<Pair> Together,
    IReadOnlyDictionary<Pair, int> Met
)
{
    /// <summary>A request without pairs and without a past.</summary>
    public static SplitRequest Of(SplitWay way, int groups, int seed = 1) =>
        new(way, groups, seed, new HashSet<Pair>(), new HashSet<Pair>(), new Dictionary<Pair, int>());
}

/// <summary>How even groups are.</summary>
/// <param name="LevelGap">The average level of the strongest group less that of the weakest; null without levels.</param>
/// <param name="PositionGap">Over all positions, how many more the fullest group has of it than the emptiest.</param>
/// <param name="Met">Pairs in one group that were together lately, each as often as they were.</param>
/// <param name="Uneven">Positions that could be spread more evenly: the most of it in one group, the fewest in another.</param>
public sealed record Evenness(
    double? LevelGap,
    int PositionGap,
    int Met,
    IReadOnlyList<(string Position, int Most, int Fewest)> Uneven
);
