namespace KeepTally.Core.Loads;

/// <summary>
/// Limits of load for the young that are suggested until a club has written down its own. They are of no league: a league's own
/// rules and medical people come first. Source: guidelines for youth and adolescent pitchers of a hard ball, United States, 2014; from
/// memory, not checked against an edition, and so never called a rule.
/// </summary>
public static class LoadLimits
{
    /// <summary>What is said of <see cref="Throws"/> wherever a figure of it is shown.</summary>
    public const string Suggested = "limits suggested by Keep Tally, not checked against any rules";

    private static readonly RestStep[] Young = [new(1, 0), new(21, 1), new(36, 2), new(51, 3), new(66, 4)];

    private static readonly RestStep[] Growing = [new(1, 0), new(31, 1), new(46, 2), new(61, 3), new(76, 4)];

    private static readonly RestStep[] NearlyGrown = [new(1, 0), new(31, 1), new(46, 2), new(61, 3), new(81, 4)];

    /// <summary>
    /// Throws of a hard ball at full effort. No such table is known for other throws; these are the careful stand-in.
    /// </summary>
    public static IReadOnlyList<LoadLimit> Throws { get; } =
    [
        new(7, 8, 50, [new(1, 0), new(21, 1), new(36, 2)]),
        new(9, 10, 75, Young),
        new(11, 12, 85, Young),
        new(13, 14, 95, Young),
        new(15, 16, 95, Growing),
        new(17, 18, 105, NearlyGrown),
        new(19, 22, 120, [.. NearlyGrown, new(106, 5)]),
    ];

    /// <summary>How old a player born in a year is at least on a day: where only the year is known, the younger age is the careful one.</summary>
    public static int AgeOn(int birthYear, DateOnly day) => day.Year - birthYear - (day is { Month: 12, Day: 31 } ? 0 : 1);
}
