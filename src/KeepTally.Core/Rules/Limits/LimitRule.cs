using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Limits;

/// <summary>A tag value may not come again too soon.</summary>
internal static class LimitRule
{
    /// <summary>The first limit the tap breaches, or null.</summary>
    internal static Limit? Breached(IReadOnlyList<Limit> limits, UnitTally unit, IReadOnlyDictionary<string, string> tags)
    {
        for (var i = 0; i < limits.Count; i++)
        {
            if (tags.TryGetValue(limits[i].Tag, out var value) && unit.RecentTags[i]?.Contains(value) == true)
            {
                return limits[i];
            }
        }

        return null;
    }

    /// <summary>Every value of a limited tag that would breach its limit now.</summary>
    internal static IEnumerable<(string Tag, string Value)> Barred(IReadOnlyList<Limit> limits, UnitTally unit) =>
        limits.SelectMany((limit, index) => (unit.RecentTags[index]?.All ?? []).Select(value => (limit.Tag, value)));

    /// <summary>A counted tap is remembered by every tag it carries.</summary>
    internal static void Remember(IReadOnlyList<Limit> limits, UnitTally unit, IReadOnlyDictionary<string, string> tags)
    {
        for (var i = 0; i < limits.Count; i++)
        {
            if (tags.TryGetValue(limits[i].Tag, out var value))
            {
                (unit.RecentTags[i] ??= new RecentValues(limits[i].Within)).Add(value);
            }
        }
    }
}
