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

        var state = (TagState)unit.State(Slot);
        for (var i = 0; i < tags.Kinds.Count; i++)
        {
            if (carried.TryGetValue(tags.Kinds[i].Id, out var value) && IndexOf(tags.Kinds[i], value) is >= 0 and var index)
            {
                state.Counts[i][index, tap.Counted]++;
                state.Last[i] = index;
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
    internal TagState(IReadOnlyList<TagKind> kinds, int counts)
    {
        Counts = [.. kinds.Select(kind => new int[kind.Values.Count, counts])];
        Last = [.. kinds.Select(_ => -1)];
    }

    private TagState(TagState other)
    {
        Counts = [.. other.Counts.Select(counts => (int[,])counts.Clone())];
        Last = [.. other.Last];
    }

    internal int[][,] Counts { get; }

    /// <summary>For each kind the index of the value that the last tap which carried one had; -1 before.</summary>
    internal int[] Last { get; }

    /// <summary>Returns the tag values that the pad offers for the next tap; none for a kind that is asked.</summary>
    internal IEnumerable<(string Tag, string Value)> Next(IReadOnlyList<TagKind> kinds)
    {
        for (var i = 0; i < kinds.Count; i++)
        {
            var index = kinds[i].Next switch
            {
                TagNext.Stays => Last[i],
                TagNext.Alternates => (Last[i] + 1) % kinds[i].Values.Count,
                TagNext.Asked => -1,
            };
            if (index >= 0)
            {
                yield return (kinds[i].Id, kinds[i].Values[index].Key);
            }
        }
    }

    /// <inheritdoc/>
    public IRuleState Copy() => new TagState(this);
}
