using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Tagging;

/// <summary>Counts taps by what else they say, for the kinds of tag that the stage lists.</summary>
internal static class TagRule
{
    /// <param name="counted">The index of the outcome among the unit's counts.</param>
    internal static void Count(IReadOnlyList<TagKind> kinds, UnitTally unit, IReadOnlyDictionary<string, string> tags, int counted)
    {
        for (var i = 0; i < kinds.Count; i++)
        {
            if (tags.TryGetValue(kinds[i].Id, out var value) && IndexOf(kinds[i], value) is >= 0 and var index)
            {
                unit.TagCounts[i][index, counted]++;
            }
        }
    }

    private static int IndexOf(TagKind kind, string value)
    {
        for (var i = 0; i < kind.Values.Count; i++)
        {
            if (string.Equals(kind.Values[i].Key, value, StringComparison.Ordinal))
            {
                return i;
            }
        }

        return -1;
    }
}
