using KeepTally.Core.Events;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Scoring;

/// <summary>The counts that units reported themselves, round by round; the last report for a round counts.</summary>
internal sealed class OwnCounts
{
    private readonly Dictionary<(int Unit, int Round), int> _said;

    internal OwnCounts() => _said = [];

    private OwnCounts(OwnCounts other) => _said = new(other._said);

    internal OwnCounts Copy() => new(this);

    internal void Take(RunEvent.OwnCount said, UnitTally unit)
    {
        var before = _said.GetValueOrDefault((unit.Index, said.Round));
        _said[(unit.Index, said.Round)] = said.Count;
        unit.OwnCount = (unit.OwnCount ?? 0) - before + said.Count;
    }

    /// <summary>The own count of a unit in a round; null where it reported none.</summary>
    internal int? Of(int unit, int round) => _said.TryGetValue((unit, round), out var count) ? count : null;
}
