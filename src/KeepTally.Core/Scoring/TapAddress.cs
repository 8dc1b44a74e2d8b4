using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Scoring;

/// <summary>
/// Finds whom and what a tap means: the unit named by it, else the one whose turn it is, else by the outcome's
/// <c>by</c>, else the only unit.
/// </summary>
internal sealed class TapAddress
{
    private readonly Play _play;
    private readonly Outcome[] _outcomes;
    private readonly NameIndex<string> _outcomeIds;
    private readonly NameIndex<string> _zones;

    /// <summary>Bench players who have not come in: a tap that names one of them is late, not wrong.</summary>
    private readonly HashSet<PlayerId> _bench;

    internal TapAddress(Stage stage, LogHead head)
    {
        _play = stage.Play;
        _outcomes = [.. stage.Outcomes];
        _outcomeIds = new NameIndex<string>(stage.Outcomes.Select(outcome => outcome.Id));
        _zones = new NameIndex<string>(stage.Targets?.Names ?? []);
        Units = new NameIndex<PlayerId>(head.Units.Select(unit => unit.Id));
        _bench = stage.Scores == Scorer.Player ? [.. (head.Bench ?? []).Select(player => player.Id)] : [];
    }

    private TapAddress(TapAddress other)
    {
        _play = other._play;
        _outcomes = other._outcomes;
        _outcomeIds = other._outcomeIds;
        _zones = other._zones;
        _bench = other._bench;
        Units = other.Units.Copy();
    }

    internal NameIndex<PlayerId> Units { get; }

    internal TapAddress Copy() => new(this);

    /// <summary>A player the head does not name may come in all the same: from now on a tap may name them.</summary>
    internal void Expect(PlayerId player)
    {
        if (Units.Of(player) < 0)
        {
            _bench.Add(player);
        }
    }

    internal int ZoneCount => _zones.Count;

    /// <summary>Why an event cannot stand on this sheet, whatever the state of play; null where it can.</summary>
    internal Fault? Check(RunEvent runEvent) =>
        runEvent switch
        {
            RunEvent.Tap tap => Find(tap, 0, 0, out _),
            RunEvent.Amend amend => UnknownIn(amend),
            RunEvent.Turn { Unit: { } unit } => IsKnown(unit) ? null : UnknownUnit(unit),
            RunEvent.OwnCount count => IsKnown(count.Unit) ? null : UnknownUnit(count.Unit),
            RunEvent.Cue { Unit: { } unit } => IsKnown(unit) ? null : UnknownUnit(unit),
            RunEvent.Note { Unit: { } unit } => IsKnown(unit) ? null : UnknownUnit(unit),
            _ => null,
        };

    private Fault? UnknownIn(RunEvent.Amend amend) =>
        amend.Unit is { } unit && !IsKnown(unit) ? UnknownUnit(unit)
        : amend.Outcome is { } outcome && _outcomeIds.Of(outcome) < 0 ? UnknownOutcome(outcome)
        : amend.Zone is { } zone && ZoneOf(zone) < 0 ? UnknownZone(zone)
        : null;

    /// <param name="tap">The tap.</param>
    /// <param name="turn">The unit whose turn it is, or -1.</param>
    /// <param name="ball">The unit with the ball, or -1.</param>
    /// <param name="found">The tap in indices; its unit is -1 where nobody has the turn any more.</param>
    internal Fault? Find(RunEvent.Tap tap, int turn, int ball, out Addressed found)
    {
        found = new Addressed(-1, -1, -1);
        var outcome = -1;
        if (tap.Outcome is { } named && (outcome = _outcomeIds.Of(named)) < 0)
        {
            return UnknownOutcome(named);
        }

        var zone = -1;
        if (tap.Zone is { } landed && (zone = ZoneOf(landed)) < 0)
        {
            return UnknownZone(landed);
        }

        if (tap.Outcome is null && zone < 0)
        {
            return _zones.Count == 0
                ? new Fault("outcome", "the tap names no outcome", "use one of " + Words(_outcomeIds.Names))
                : new Fault("zone", "the tap names no zone", "use one of " + Words([.. _zones.Names, Targets.None]));
        }

        var unit = -1;
        if (tap.Unit is { } id)
        {
            unit = Units.Of(id);
            if (unit < 0 && !_bench.Contains(id))
            {
                return UnknownUnit(id);
            }
        }
        else if (_play == Play.Turns)
        {
            unit = turn;
        }
        else if (tap.Outcome is not null && _outcomes[outcome].By is { } by)
        {
            unit = by switch
            {
                TappedBy.Ball => ball,
                TappedBy.OffBall => ball < 0 ? -1 : (ball + 1) % Units.Count,
                TappedBy.Named side => Units.Of(new PlayerId(side.Side)),
                _ => -1,
            };
        }
        else if (Units.Count == 1)
        {
            unit = 0;
        }
        else
        {
            return new Fault("unit", "the tap does not say who", "name one of " + Words(Units.Names.Select(id => id.Value)));
        }

        found = new Addressed(unit, outcome, zone);
        return null;
    }

    private int ZoneOf(string landed) => _zones.Count > 0 && landed == Targets.None ? _zones.Count : _zones.Of(landed);

    private bool IsKnown(PlayerId unit) => Units.Of(unit) >= 0 || _bench.Contains(unit);

    private Fault UnknownUnit(PlayerId unit) =>
        new("unit", $"there is no \"{unit}\" on this sheet", "use one of " + Words(Units.Names.Select(id => id.Value)));

    private Fault UnknownOutcome(string outcome) =>
        new("outcome", $"there is no outcome \"{outcome}\"", "use one of " + Words(_outcomeIds.Names));

    private Fault UnknownZone(string zone) =>
        new("zone", $"there is no zone \"{zone}\"", "use one of " + Words([.. _zones.Names, Targets.None]));

    private static string Words(IEnumerable<string> words) => string.Join(", ", words);
}

/// <summary>A tap in indices; -1 for what it does not carry. A zone index equal to the number of zones is none.</summary>
internal readonly record struct Addressed(int Unit, int Outcome, int Zone);
