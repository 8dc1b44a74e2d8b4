using KeepTally.Core.Events;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Limits;

/// <summary>Holds a tap against the values its unit carried lately.</summary>
internal sealed class LimitJudge(IReadOnlyList<Limit> limits) : TapJudge, IBreachJudge, ICountJudge
{
    internal override IRuleState NewState() => new LimitState(limits.Count);

    /// <summary>The first limit the tap breaches, or null.</summary>
    public IBreach? Breached(UnitTally unit, RunEvent.Tap tap)
    {
        if (tap.Tags is not { } tags)
        {
            return null;
        }

        var recent = ((LimitState)unit.State(Slot)).Recent;
        for (var i = 0; i < limits.Count; i++)
        {
            if (tags.TryGetValue(limits[i].Tag, out var value) && recent[i]?.Contains(value) == true)
            {
                return limits[i];
            }
        }

        return null;
    }

    /// <summary>A counted tap is remembered by every tag it carries.</summary>
    public void Count(UnitTally unit, in CountedTap tap)
    {
        if (tap.Event.Tags is not { } tags)
        {
            return;
        }

        var recent = ((LimitState)unit.State(Slot)).Recent;
        for (var i = 0; i < limits.Count; i++)
        {
            if (tags.TryGetValue(limits[i].Tag, out var value))
            {
                (recent[i] ??= new RecentValues(limits[i].Within)).Add(value);
            }
        }
    }

    /// <summary>Every value of a limited tag that would breach its limit now.</summary>
    internal IEnumerable<(string Tag, string Value)> Barred(UnitTally unit)
    {
        var recent = ((LimitState)unit.State(Slot)).Recent;
        return limits.SelectMany((limit, index) => (recent[index]?.All ?? []).Select(value => (limit.Tag, value)));
    }
}

/// <summary>The latest values of each limited tag.</summary>
internal sealed class LimitState(int limits) : IRuleState
{
    internal RecentValues?[] Recent { get; private init; } = new RecentValues?[limits];

    /// <inheritdoc/>
    public IRuleState Copy() => new LimitState(Recent.Length) { Recent = [.. Recent.Select(values => values?.Copy())] };
}
