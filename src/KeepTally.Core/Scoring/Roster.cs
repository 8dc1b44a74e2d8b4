using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>
/// Who is on a sheet, unit by unit, as players come and go. Where a unit is a player, that player is its only one. Who
/// comes in for a player takes their place in the group; alone, a player joins the group with the fewest.
/// Source: docs/formats.md, section 2, "sub".
/// </summary>
public sealed class Roster
{
    private readonly bool _singles;
    private readonly List<(PlayerId Unit, List<PlayerId> Players)> _units;
    private readonly List<Stay> _stays;

    internal Roster(Stage stage, IReadOnlyList<Unit> units)
    {
        _singles = stage.Scores == Scorer.Player;
        _units = [.. units.Select(unit => (unit.Id, unit.People.Select(player => player.Id).ToList()))];
        _stays = [.. _units.SelectMany(unit => unit.Players.Select(player => new Stay(player, unit.Unit, RunningTime.Zero, null)))];
    }

    private Roster(Roster other)
    {
        _singles = other._singles;
        Mark = other.Mark;
        _units = [.. other._units.Select(unit => (unit.Unit, new List<PlayerId>(unit.Players)))];
        _stays = [.. other._stays];
    }

    internal Roster Copy() => new(this);

    /// <summary>Another object whenever a player came, went or changed groups: as long as it is the same, so is everyone's place here.</summary>
    public object Mark { get; private set; } = new();

    /// <summary>Everyone on the sheet, unit by unit.</summary>
    public IEnumerable<PlayerId> Everyone => _units.SelectMany(unit => unit.Players);

    /// <summary>How many players are on the sheet.</summary>
    public int Count => _units.Sum(unit => unit.Players.Count);

    /// <summary>The stays of players on the sheet, in the order in which they came, without those of no length.</summary>
    public IReadOnlyList<Stay> Stays => _stays;

    /// <summary>Whether a player is on the sheet.</summary>
    public bool Has(PlayerId player) => UnitOf(player) is not null;

    /// <summary>The unit a player is in now, or null.</summary>
    public PlayerId? UnitOf(PlayerId player)
    {
        foreach (var (unit, players) in _units)
        {
            if (players.Contains(player))
            {
                return unit;
            }
        }

        return null;
    }

    /// <summary>The players of a unit now.</summary>
    public IReadOnlyList<PlayerId> Of(PlayerId unit) => _units.Find(each => each.Unit == unit).Players ?? [];

    /// <summary>The players of all other units, those that come after a unit first.</summary>
    internal IReadOnlyList<PlayerId> OthersAfter(PlayerId unit)
    {
        var index = _units.FindIndex(each => each.Unit == unit);
        return [.. _units.Skip(index + 1).Concat(_units.Take(index)).SelectMany(each => each.Players)];
    }

    /// <summary>Another game begins: everyone who is on has been since its start.</summary>
    internal void BeginAgain()
    {
        _stays.Clear();
        _stays.AddRange(
            _units.SelectMany(unit => unit.Players.Select(player => new Stay(player, unit.Unit, RunningTime.Zero, null)))
        );
    }

    /// <summary>Applies a substitution; who left the sheet by it and who came onto it. Two who are both on change groups.</summary>
    /// <param name="substitution">The player who goes and the player who comes.</param>
    /// <param name="running">When it happens, on the running time of the sheet.</param>
    internal (PlayerId? Left, PlayerId? Came) Apply(RunEvent.Substitution substitution, RunningTime running)
    {
        Mark = new object();
        var leaves = substitution.Out is { } gone && Has(gone) ? (PlayerId?)gone : null;
        var comes = substitution.In;
        if (comes is { } present && Has(present))
        {
            if (leaves is { } partner)
            {
                Exchange(partner, present, running);
            }

            return (null, null);
        }

        if (leaves is { } leaver)
        {
            var unit = End(leaver, running);
            var players = ListOf(leaver);
            var at = players.IndexOf(leaver);
            players.RemoveAt(at);
            if (comes is { } successor && !_singles)
            {
                players.Insert(at, successor);
                _stays.Add(new Stay(successor, unit, running, null));
            }
        }

        if (comes is { } newcomer && (_singles || leaves is null))
        {
            Join(newcomer, running);
        }

        return (leaves, comes);
    }

    private void Join(PlayerId player, RunningTime running)
    {
        if (!_singles)
        {
            var (smallest, players) = _units.MinBy(unit => unit.Players.Count);
            players.Add(player);
            _stays.Add(new Stay(player, smallest, running, null));
            return;
        }

        _stays.Add(new Stay(player, player, running, null));
        if (_units.Find(unit => unit.Unit == player).Players is { } own)
        {
            own.Add(player);
        }
        else
        {
            _units.Add((player, [player]));
        }
    }

    private void Exchange(PlayerId one, PlayerId other, RunningTime running)
    {
        if (one == other || _singles)
        {
            return;
        }

        var (first, second) = (ListOf(one), ListOf(other));
        var (i, j) = (first.IndexOf(one), second.IndexOf(other));
        (first[i], second[j]) = (other, one);
        var (left, right) = (End(one, running), End(other, running));
        _stays.Add(new Stay(one, right, running, null));
        _stays.Add(new Stay(other, left, running, null));
    }

    /// <summary>Ends a stay; the unit it was in.</summary>
    private PlayerId End(PlayerId player, RunningTime running)
    {
        var index = _stays.FindIndex(stay => stay.Player == player && stay.To is null);
        var stay = _stays[index];
        if (stay.From < running)
        {
            _stays[index] = stay with { To = running };
        }
        else
        {
            _stays.RemoveAt(index);
        }

        return stay.Unit;
    }

    private List<PlayerId> ListOf(PlayerId player) => _units.First(unit => unit.Players.Contains(player)).Players;
}
