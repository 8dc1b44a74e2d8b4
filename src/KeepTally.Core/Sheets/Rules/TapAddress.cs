using KeepTally.Core.Cards;

namespace KeepTally.Core.Sheets.Rules;

/// <summary>
/// Finds whom and what a tap means: the unit named by it, else the one whose turn it is, else by the outcome's
/// <c>by</c>, else the only unit.
/// </summary>
internal sealed class TapAddress
{
    private readonly Stage _stage;
    private readonly Dictionary<string, int> _outcomes = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> _zones = new(StringComparer.Ordinal);

    internal TapAddress(Stage stage, IReadOnlyList<Unit> units)
    {
        _stage = stage;
        foreach (var (index, unit) in units.Index())
        {
            Units[unit.Id] = index;
        }

        foreach (var (index, outcome) in stage.Outcomes.Index())
        {
            _outcomes[outcome.Id] = index;
        }

        foreach (var (index, zone) in (stage.Targets?.Names ?? []).Index())
        {
            _zones[zone] = index;
        }
    }

    internal Dictionary<string, int> Units { get; } = new(StringComparer.Ordinal);

    internal int ZoneCount => _zones.Count;

    /// <summary>Why an event cannot stand on this sheet, whatever the state of play; null where it can.</summary>
    internal Refusal? Refuse(RunEvent said) =>
        said switch
        {
            RunEvent.Tap tap => Find(tap, 0, 0, out _),
            RunEvent.Turn { Unit: { } unit } => Units.ContainsKey(unit) ? null : UnknownUnit(unit),
            RunEvent.Note { Unit: { } unit } => Units.ContainsKey(unit) ? null : UnknownUnit(unit),
            _ => null,
        };

    /// <param name="turn">The unit whose turn it is, or -1.</param>
    /// <param name="ball">The unit with the ball, or -1.</param>
    /// <param name="found">The tap in indices; its unit is -1 where nobody has the turn any more.</param>
    internal Refusal? Find(RunEvent.Tap tap, int turn, int ball, out Addressed found)
    {
        found = new Addressed(-1, -1, -1);
        var outcome = -1;
        if (tap.Outcome is { } named && !_outcomes.TryGetValue(named, out outcome))
        {
            return new Refusal("outcome", $"there is no outcome \"{named}\"", "use one of " + Words(_outcomes.Keys));
        }

        var zone = -1;
        if (tap.Zone is { } landed && !FindZone(landed, out zone))
        {
            return new Refusal("zone", $"there is no zone \"{landed}\"", "use one of " + Words([.. _zones.Keys, Targets.None]));
        }

        if (tap.Outcome is null && zone < 0)
        {
            return _stage.Targets is null
                ? new Refusal("outcome", "the tap names no outcome", "use one of " + Words(_outcomes.Keys))
                : new Refusal("zone", "the tap names no zone", "use one of " + Words([.. _zones.Keys, Targets.None]));
        }

        var unit = -1;
        if (tap.Unit is { } id)
        {
            if (!Units.TryGetValue(id, out unit))
            {
                return UnknownUnit(id);
            }
        }
        else if (_stage.Play == Play.Turns)
        {
            unit = turn;
        }
        else if (tap.Outcome is not null && _stage.Outcomes[outcome].By is { } by)
        {
            unit = by switch
            {
                TappedBy.Ball => ball,
                TappedBy.OffBall => ball < 0 ? -1 : (ball + 1) % Units.Count,
                TappedBy.Named side => Units[side.Side],
                _ => -1,
            };
        }
        else if (Units.Count == 1)
        {
            unit = 0;
        }
        else
        {
            return new Refusal("unit", "the tap does not say who", "name one of " + Words(Units.Keys));
        }

        found = new Addressed(unit, tap.Outcome is null ? -1 : outcome, zone);
        return null;
    }

    private bool FindZone(string landed, out int zone)
    {
        zone = _zones.Count;
        return (landed == Targets.None && _zones.Count > 0) || _zones.TryGetValue(landed, out zone);
    }

    private Refusal UnknownUnit(string unit) =>
        new("unit", $"there is no \"{unit}\" on this sheet", "use one of " + Words(Units.Keys));

    private static string Words(IEnumerable<string> words) => string.Join(", ", words);
}

/// <summary>A tap in indices; -1 for what it does not carry. A zone index equal to the number of zones is none.</summary>
internal readonly record struct Addressed(int Unit, int Outcome, int Zone);
