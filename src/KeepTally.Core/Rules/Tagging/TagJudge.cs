using KeepTally.Core.Cards;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Tagging;

/// <summary>Counts taps by what else they say, for the kinds of tag that the stage lists.</summary>
internal sealed class TagJudge(Tags tags, Stage stage) : TapJudge, ICountJudge
{
    private readonly int _counts = UnitTally.CountsOf(stage);

    internal override IRuleState NewState() => new TagState(tags.Kinds, _counts);

    public void Count(UnitTally unit, in CountedTap tap)
    {
        if (tap.Event.Tags is not { } carried)
        {
            return;
        }

        var counts = ((TagState)unit.State(Slot)).Counts;
        for (var i = 0; i < tags.Kinds.Count; i++)
        {
            if (carried.TryGetValue(tags.Kinds[i].Id, out var value) && IndexOf(tags.Kinds[i], value) is >= 0 and var index)
            {
                counts[i][index, tap.Counted]++;
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

/// <summary>For each kind of tag of the stage: counted taps by value and by outcome, laid out as the unit's counts.</summary>
internal sealed class TagState : IRuleState
{
    internal TagState(IReadOnlyList<TagKind> kinds, int counts) =>
        Counts = [.. kinds.Select(kind => new int[kind.Values.Count, counts])];

    private TagState(TagState other) => Counts = [.. other.Counts.Select(counts => (int[,])counts.Clone())];

    internal int[][,] Counts { get; }

    /// <inheritdoc/>
    public IRuleState Copy() => new TagState(this);
}
