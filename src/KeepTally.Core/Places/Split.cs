namespace KeepTally.Core.Places;

/// <summary>Even groups. Source: docs/formats.md, section 4, "Split".</summary>
public static class Split
{
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
}
