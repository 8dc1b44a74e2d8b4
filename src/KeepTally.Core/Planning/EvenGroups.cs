namespace KeepTally.Core.Planning;

/// <summary>The sizes of even groups.</summary>
public static class EvenGroups
{
    /// <summary>The sizes of so many groups, even within one, larger first.</summary>
    public static IReadOnlyList<int> Sizes(int players, int groups) =>
        [.. Enumerable.Range(0, groups).Select(group => (players / groups) + (group < players % groups ? 1 : 0))];

    /// <summary>The largest of so many groups.</summary>
    public static int Largest(int players, int groups) => (players + groups - 1) / groups;
}
