using KeepTally.Core.Groups;

namespace KeepTally.Web.Pages;

/// <summary>The ways of making groups that need no result, in the coach's words; for Today and the page of groups.</summary>
public static class SplitWords
{
    public static IReadOnlyList<(SplitWay Way, string Words)> All { get; } =
    [
        (SplitWay.Listed, "as listed"),
        (SplitWay.Shuffle, "shuffled"),
        (SplitWay.Spread, "positions spread"),
        (SplitWay.Fresh, "fresh partners"),
    ];
}
