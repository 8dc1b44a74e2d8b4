using System.Collections.Immutable;
using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Floor;

/// <summary>
/// Who stands where as a run goes on: the fold of the same events as the sheet over the places of the stage.
/// Rotations that a tap calls for follow from the tap; those the clock or a coach calls for are events.
/// </summary>
public sealed class FloorState
{
    private readonly Stage _stage;
    private readonly JobLog _jobs;

    /// <summary>The places are for the group whose turn it is; the others wait.</summary>
    private readonly bool _groupsInTurn;
    private int _counted;

    /// <summary>Players who have done all there is to do.</summary>
    private ImmutableHashSet<PlayerId> _done = [];

    /// <summary>Where sides play, the side of each player; else nothing.</summary>
    private ImmutableDictionary<PlayerId, PlayerId> _sides = ImmutableDictionary<PlayerId, PlayerId>.Empty;

    /// <summary>Everyone at the start: places filled as the format says.</summary>
    public FloorState(Stage stage, IReadOnlyList<Unit> units)
    {
        _stage = stage;
        _jobs = new JobLog(stage.Clock);
        var sides = units
            .SelectMany(unit => unit.People.Select(player => (player.Id, Unit: unit.Id)))
            .ToLookup(each => each.Id, each => each.Unit);
        _sides =
            stage.Scores == Scorer.Side
                ? sides.ToImmutableDictionary(player => player.Key, player => player.First())
                : ImmutableDictionary<PlayerId, PlayerId>.Empty;
        _groupsInTurn = stage is { Scores: Scorer.Group or Scorer.None, Play: Play.Turns } && units.Count > 1;
        Now = _groupsInTurn
            ? Placement.FillInTurn(
                stage.Places,
                units[0].People.Select(Id),
                [.. units.Skip(1).SelectMany(unit => unit.People).Select(Id)]
            )
            : Placement.Fill(stage.Places, sides.Select(player => player.Key), player => sides[player].First());
        Seat(units.Count > 0 ? units[0].Id : null);
        _jobs.Stand(Now, ClockTime.Zero);

        static PlayerId Id(Member player) => player.Id;
    }

    private FloorState(FloorState other)
    {
        _stage = other._stage;
        _groupsInTurn = other._groupsInTurn;
        _counted = other._counted;
        _done = other._done;
        _sides = other._sides;
        Now = other.Now;
        Rotations = other.Rotations;
        _jobs = other._jobs.Copy();
    }

    /// <summary>The same floor, that goes its own way from here.</summary>
    internal FloorState Copy() => new(this);

    /// <summary>The places of the players now.</summary>
    public Placement Now { get; private set; }

    /// <summary>
    /// Who stand against each other where a move asks who won or lost: they stand in the spots such moves go from. Empty
    /// where no move asks, or where the taps tell.
    /// </summary>
    public IReadOnlyList<PlayerId> Contestants =>
        AsksWhoWon(_stage) && _stage.Rotate?.On is RotateTrigger.Round or RotateTrigger.Turn or RotateTrigger.Manual
            ?
            [
                .. _stage
                    .Moves.Where(move => move.Who is MoveWho.Winner or MoveWho.Loser)
                    .Select(move => move.From)
                    .Distinct()
                    .SelectMany(Now.At),
            ]
            : [];

    /// <summary>A move asks who won or lost, so that the coach has to say it.</summary>
    internal static bool AsksWhoWon(Stage stage) => stage.Moves.Any(move => move.Who is MoveWho.Winner or MoveWho.Loser);

    /// <summary>How often places have moved on.</summary>
    public int Rotations { get; private set; }

    /// <summary>Whether places move on the next time that what moves them happens.</summary>
    internal bool MovesOnNextCount => (_counted + 1) % (_stage.Rotate?.Every ?? 1) == 0;

    /// <summary>How everyone will stand after the next rotation, as far as it can be told now.</summary>
    public Placement Next => Rotation.Next(Now, Moves, default, IsDone);

    /// <summary>
    /// Where everyone will stand after the next rotation, no matter who wins or does it; where that decides it, where they stand
    /// now. Null for who waits.
    /// </summary>
    public IReadOnlyDictionary<PlayerId, Place?> NextPlaces()
    {
        Placement[] ways = [.. Decided().Select(named => Rotation.Next(Now, Moves, named, IsDone)).DefaultIfEmpty(Next)];
        return Now.Places.SelectMany(place => Now.At(place.Id)).Concat(Now.Waiting).ToDictionary(player => player, Sure);

        Place? Sure(PlayerId player)
        {
            var first = ways[0].Of(player);
            return Array.TrueForAll(ways, way => way.Of(player) == first) ? first : Now.Of(player);
        }
    }

    /// <summary>
    /// Returns how everyone will stand after the next rotation; a player whose move depends on the winner or actor stands where they stand now.
    /// </summary>
    public Placement NextSure
    {
        get
        {
            var sure = NextPlaces();
            var next = Next;
            if (next.Everyone.All(player => next.Of(player)?.Id == sure.GetValueOrDefault(player)?.Id))
            {
                return next;
            }

            return Now.With(
                (standing, waiting) =>
                {
                    foreach (var (player, place) in sure.Where(each => each.Value?.Id != Now.Of(each.Key)?.Id))
                    {
                        (Now.Of(player) is { } from ? standing[from.Id] : waiting).Remove(player);
                        (place is null ? waiting : standing[place.Id]).Add(player);
                    }
                }
            );
        }
    }

    /// <summary>Returns how everyone will stand once the turn has passed.</summary>
    /// <param name="turn">Whose turn it will be.</param>
    /// <param name="roster">The roster after the turn.</param>
    /// <param name="moves">Places move on with it.</param>
    public Placement AfterTurn(PlayerId turn, Roster roster, bool moves) =>
        _groupsInTurn
            ? Placement.FillInTurn(_stage.Places, roster.Of(turn), roster.OthersAfter(turn))
            : Seated(moves ? Next : Now, turn);

    /// <summary>All ways in which the next rotation may be decided; none where it is decided already.</summary>
    private IEnumerable<Rotation.Named> Decided()
    {
        var asking = Moves.Where(move => move.Who is not (MoveWho.All or MoveWho.First)).Select(move => move.From);
        bool?[] results = _stage.Rotate?.On switch
        {
            RotateTrigger.Failure => [false],
            RotateTrigger.Tap => [true, false, null],
            RotateTrigger.Attempts => [true, false],
            _ => [true],
        };
        return asking.Distinct().SelectMany(Now.At).SelectMany(player => results.Select(result => Named(player, result)));
    }

    /// <summary>The moves of the next rotation: the card's, or those turned round.</summary>
    private IReadOnlyList<Move> Moves => Rotation.Way(_stage.Moves, _stage.Rotate, Rotations);

    /// <summary>Everyone who has stood at a place so far.</summary>
    public IReadOnlyCollection<PlayerId> Stood => _jobs.Players;

    /// <summary>Returns the jobs of a player by a clock time; the go under way counts.</summary>
    public IReadOnlyList<JobTime> JobsOf(PlayerId player, ClockTime now) => _jobs.Of(player, now);

    /// <summary>Takes an event with what the sheet made of it.</summary>
    /// <param name="runEvent">The event.</param>
    /// <param name="result">The result of the event on the score.</param>
    /// <param name="score">The sheet once it has taken the event.</param>
    public void Apply(RunEvent runEvent, EventResult result, Score score)
    {
        if (result is { Kind: EventResultKind.Counted, OfJob: false })
        {
            _jobs.CountRep();
        }

        if (runEvent is RunEvent.Again && result.Kind == EventResultKind.Taken)
        {
            _jobs.BeginAgain(score.GameBeforeOver);
            _counted = 0;
        }

        _jobs.Plan = score.Plan;
        LookWhoIsDone(runEvent, result, score);

        var before = Now;
        Move(runEvent, result, score);
        if (!ReferenceEquals(before, Now))
        {
            _jobs.Stand(Now, score.ClockTimeAt(runEvent.At));
        }
    }

    private Func<PlayerId, bool>? IsDone => _done.IsEmpty ? null : _done.Contains;

    private PlayerId? SideOf(PlayerId player) => _sides.TryGetValue(player, out var side) ? side : null;

    /// <summary>Only where players score can a player of the floor be done while others go on.</summary>
    private void LookWhoIsDone(RunEvent runEvent, EventResult result, Score score)
    {
        if (_stage.Scores == Scorer.Player)
        {
            if (result is { Kind: EventResultKind.Counted, Unit: >= 0 and var unit } && score.IsUnitDone(unit))
            {
                _done = score.UnitAt(unit) is { } player ? _done.Add(player) : _done;
            }
            else if (runEvent is RunEvent.Again or RunEvent.Turn or RunEvent.Substitution)
            {
                _done = [.. score.DoneByRules];
            }
        }
        else if (
            _stage.Scores == Scorer.Side
            && runEvent is RunEvent.Substitution { In: { } comes }
            && score.Roster.UnitOf(comes) is { } side
        )
        {
            _sides = _sides.SetItem(comes, side);
        }
    }

    private void Move(RunEvent runEvent, EventResult result, Score score)
    {
        if (result.Kind == EventResultKind.Superseded)
        {
            return;
        }

        if (_groupsInTurn && (result.TurnPassed || runEvent is RunEvent.Substitution or RunEvent.Again))
        {
            TakeTurn(score.Turn!.Value, score.Roster);
            return;
        }

        if (result.TurnPassed && _stage.Rotate?.On == RotateTrigger.Turn)
        {
            CountToward(default);
        }

        switch (runEvent)
        {
            case RunEvent.Rotate rotate:
                Rotate(new Rotation.Named(rotate.Winner, rotate.Loser, rotate.Actor, Sides));
                break;
            case RunEvent.Again { Moves: true }:
                Rotate(default);
                break;
            case RunEvent.Substitution substitution:
                Fix(substitution, score.Roster);
                break;
            case RunEvent.Tap when result is { Kind: EventResultKind.Counted, OfJob: false } && Triggers(result):
                CountToward(Named(score.UnitAt(result.Unit), result.Attempt));
                break;
            case RunEvent.Tap when result.Kind == EventResultKind.Counted && IsDone is { } isDone && TapsTurnPlaces:
                Now = PassedOver.Apply(Now, Moves, isDone);
                break;
        }

        if (result.TurnPassed || runEvent is RunEvent.Substitution or RunEvent.Again)
        {
            Seat(score.Turn);
        }
    }

    /// <summary>
    /// Where players score in turns and one spot scores, the player whose turn it is stands there: they change places with who does.
    /// Nobody who has gone is set down there again.
    /// </summary>
    private void Seat(PlayerId? turn) => Now = Seated(Now, turn);

    private Placement Seated(Placement now, PlayerId? turn) =>
        _stage is { Play: Play.Turns, Scores: Scorer.Player }
        && turn is { } player
        && now.Everyone.Contains(player)
        && _stage.Places.Where(place => place.Scores).ToArray() is [{ Kind: PlaceKind.Spot, Size: 1 } spot]
        && now.At(spot.Id) is var there
        && !there.Contains(player)
            ? SubstitutionRule.Apply(now, _stage.Moves, there.Count > 0 ? there[0] : null, player)
            : now;

    private bool TapsTurnPlaces =>
        _stage.Rotate?.On is RotateTrigger.Tap or RotateTrigger.Success or RotateTrigger.Failure or RotateTrigger.Attempts;

    private Func<PlayerId, PlayerId?>? Sides => _sides.IsEmpty ? null : SideOf;

    private bool Triggers(EventResult result) =>
        _stage.Rotate?.On switch
        {
            RotateTrigger.Tap => true,
            RotateTrigger.Success => result.Attempt == true,
            RotateTrigger.Failure => result.Attempt == false,
            RotateTrigger.Attempts => result.Attempt is not null,
            _ => false,
        };

    /// <summary>
    /// Whom a tap names: its unit is the actor, of a success the winner too, of a failure the loser; the other of two who
    /// stand in scoring spots is then the loser, or the winner.
    /// </summary>
    private Rotation.Named Named(PlayerId? actor, bool? success)
    {
        if (Sides is { } sideOf)
        {
            return NamedSide(actor is { } one ? sideOf(one) ?? one : null, success, sideOf);
        }

        var others = _stage
            .Places.Where(place => place is { Scores: true, Kind: PlaceKind.Spot })
            .SelectMany(place => Now.At(place.Id))
            .Where(player => player != actor)
            .Take(2)
            .ToArray();
        var other = others.Length == 1 ? others[0] : (PlayerId?)null;
        return success switch
        {
            true => new Rotation.Named(actor, other, actor),
            false => new Rotation.Named(other, actor, actor),
            null => new Rotation.Named(null, null, actor),
        };
    }

    /// <summary>A tap names a side: its players are the actors, of a success the winners too, and those of the other side the losers.</summary>
    private Rotation.Named NamedSide(PlayerId? actor, bool? success, Func<PlayerId, PlayerId?> sideOf)
    {
        PlayerId[] others = [.. _sides.Values.Distinct().Where(side => side != actor)];
        var other = others.Length == 1 ? others[0] : (PlayerId?)null;
        return success switch
        {
            true => new Rotation.Named(actor, other, actor, sideOf),
            false => new Rotation.Named(other, actor, actor, sideOf),
            null => new Rotation.Named(null, null, actor, sideOf),
        };
    }

    private void CountToward(Rotation.Named named)
    {
        if (++_counted % _stage.Rotate!.Every == 0)
        {
            Rotate(named);
        }
    }

    private void Rotate(Rotation.Named named)
    {
        Now = Rotation.Next(Now, Moves, named, IsDone);
        Rotations++;
    }

    /// <summary>The places fill with the group whose turn it is.</summary>
    private void TakeTurn(PlayerId unit, Roster roster)
    {
        Now = Placement.FillInTurn(_stage.Places, roster.Of(unit), roster.OthersAfter(unit));
        Rotations++;
    }

    /// <summary>Sets people onto the places anew after a player came, went or changed places; see <see cref="SubstitutionRule"/>.</summary>
    private void Fix(RunEvent.Substitution substitution, Roster roster)
    {
        Now = SubstitutionRule.Apply(Now, _stage.Moves, substitution.Out, substitution.In, player => roster.UnitOf(player));
    }
}
