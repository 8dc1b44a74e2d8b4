using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>
/// One tally sheet: the fold of the standing events of a log over the rules of a stage. Events come in their order,
/// each once; see <see cref="EventLog"/>. Source: docs/formats.md, sections 1 and 2.
/// </summary>
public sealed partial class Score
{
    private readonly Stage _stage;
    private readonly int _stageIndex;
    private readonly TapAddress _address;
    private readonly Judges _judges;
    private readonly TapScoring _taps;
    private readonly FreshTallies _fresh;
    private readonly ClockLimit _limit;
    private readonly Duration _countIn;
    private readonly FreezeLog _freezes;
    private readonly HabitLog _habits;
    private readonly GameLog _games;
    private readonly bool _hasHalves;
    private Cues _cues = Cues.None;
    private OwnCounts _own = new();
    private HalfScore _half = new();
    private ScoreState _state;
    private RunClock _clock;
    private ClockTime? _movedByHand;

    /// <summary>Whether it was ended before it started: in its count-in, or before.</summary>
    private bool _neverStarted;

    /// <summary>Whether the game had been played out when the coach ended the drill; null while that is not so.</summary>
    private bool? _playedOut;

    private Score(DrillCard card, LogHead head)
    {
        _clock = new RunClock();
        _freezes = new FreezeLog();
        _habits = new HabitLog();
        _games = new GameLog();
        _stageIndex = head.Stage;
        _stage = head.Of(card);
        _judges = Judges.Of(_stage);
        _taps = new TapScoring(_stage, _judges);
        _fresh = new FreshTallies(_stage, head, _judges);
        _address = new TapAddress(_stage, head);
        Roster = new Roster(_stage, head.Units);
        _state = _fresh.OfStart(_address, Roster);
        _limit = TimeEnding.LimitOf(_stage.Until);
        _countIn = _stage.Clock?.CountIn ?? Duration.Zero;
        _hasHalves = _stage.Clock?.BreakAfter is not null;
    }

    private Score(Score other)
    {
        _stage = other._stage;
        _stageIndex = other._stageIndex;
        _judges = other._judges;
        _taps = other._taps;
        _fresh = other._fresh;
        _limit = other._limit;
        _countIn = other._countIn;
        _address = other._address.Copy();
        _state = other._state.Copy();
        _clock = other._clock.Copy();
        _freezes = other._freezes.Copy();
        _habits = other._habits.Copy();
        _games = other._games.Copy();
        _hasHalves = other._hasHalves;
        _cues = other._cues;
        _own = other._own.Copy();
        _half = other._half.Copy();
        _playedOut = other._playedOut;
        _neverStarted = other._neverStarted;
        _movedByHand = other._movedByHand;
        Roster = other.Roster.Copy();
    }

    /// <summary>The sheet as it stands, to be gone on with apart from this one.</summary>
    public Score Copy() => new(this);

    /// <summary>An empty sheet, where the log's head fits the card.</summary>
    public static Result<Score> Open(DrillCard card, LogHead head)
    {
        var faults = HeadCheck.Check(card, head);
        return faults.Count == 0 ? Result<Score>.Ok(new Score(card, head)) : Result<Score>.Fail(faults);
    }

    /// <summary>The stage it is kept by.</summary>
    public Stage Stage => _stage;

    /// <summary>The players on the sheet now, by unit.</summary>
    public Roster Roster { get; }

    /// <summary>Everyone who carries a score, who came in later and who went off too.</summary>
    public IReadOnlyList<Unit> Units => _state.Names;

    /// <summary>Time since start was pressed, the count-in included, pauses left out.</summary>
    public RunClock Clock => _clock;

    /// <summary>The reason of the teaching stop under way, or null.</summary>
    public string? FrozenFor => _freezes.OpenReason;

    /// <summary>The id of the unit whose turn it is; null where there are no turns.</summary>
    public PlayerId? Turn => UnitAt(_state.Turn);

    /// <summary>The unit that gets the turn next; null where there are no turns, or no other unit is left.</summary>
    public PlayerId? NextTurn => _state.NextTurn is >= 0 and var next && next != _state.Turn ? UnitAt(next) : null;

    /// <summary>The id of the unit a result names by its index; null where it names none.</summary>
    internal PlayerId? UnitAt(int index) => index < 0 ? null : _state.Units[index].Unit.Id;

    /// <summary>Why an event cannot stand on this sheet, whatever the state of play; null where it can.</summary>
    public Fault? Check(RunEvent runEvent) => _address.Check(runEvent);

    /// <summary>The tag values that a unit must not repeat now, by the limits of the stage.</summary>
    public IEnumerable<(string Tag, string Value)> Barred(PlayerId unit) =>
        _address.Units.Of(unit) is >= 0 and var index ? _judges.Barred(_state.Units[index]) : [];

    /// <summary>The tags of a unit's next tap until the coach picks others; never a value that a limit bars.</summary>
    public IEnumerable<(string Tag, string Value)> Standing(PlayerId unit) =>
        _address.Units.Of(unit) is >= 0 and var index && _state.Units[index].StateOf<TagState>() is { } tags
            ? tags.Next(_stage.Tags).Except(_judges.Barred(_state.Units[index]))
            : [];

    /// <summary>Takes the next event.</summary>
    public EventResult Apply(RunEvent runEvent)
    {
        if (runEvent is not (RunEvent.Add or RunEvent.Rounds))
        {
            CutByClock(runEvent.At);
        }

        if (_hasHalves && _clock.IsStarted)
        {
            _half.Pass(Plan, _clock.At(runEvent.At), _state.Units);
        }

        switch (runEvent)
        {
            case RunEvent.Tap tap:
                return _taps.Take(tap, _state, _address, IsStartedAt(tap.At), RunningAt(tap.At));
            case RunEvent.Start:
                _clock.Start(runEvent.At);
                _games.Begin(runEvent.At);
                return EventResult.Taken;
            case RunEvent.Pause:
                _clock.Pause(runEvent.At);
                return EventResult.Taken;
            case RunEvent.Resume:
                _freezes.Close(runEvent.At);
                _clock.Resume(runEvent.At);
                return EventResult.Taken;
            case RunEvent.Freeze freeze:
                if (_clock.IsStarted && !_state.Done)
                {
                    _freezes.Open(freeze.Reason, runEvent.At);
                    _clock.Pause(runEvent.At);
                }

                return EventResult.Taken;
            case RunEvent.End:
                _freezes.Close(runEvent.At);
                _playedOut ??= IsPlayedOutAt(runEvent.At);
                _neverStarted |= !IsStartedAt(runEvent.At);
                _state.Close(RunningAt(runEvent.At));
                return EventResult.Taken;
            case RunEvent.Add or RunEvent.Skip or RunEvent.Rounds:
                return Reclock(runEvent);
            case RunEvent.Again again:
                return PlayAgain(again);
            case RunEvent.Habit habit:
                _habits.Count(habit.Name, habit.Player);
                return EventResult.Taken;
            case RunEvent.Cue cue:
                _cues = _cues.With(cue);
                return EventResult.Taken;
            case RunEvent.OwnCount count:
                if (_address.Units.Of(count.Unit) is not (>= 0 and var own))
                {
                    // A player of the bench who never came in has nothing to count.
                    return EventResult.Superseded;
                }

                _own.Take(count, _state.Units[own]);
                return EventResult.Taken;
            case RunEvent.Turn turn:
                return RoundOf(turn) is { } over && (!IsRound(over) || IsTurnedSince(over))
                    ? EventResult.Superseded
                    : TakeTurn(turn);
            case RunEvent.Rotate rotate:
                return TakeMove(rotate);
            case RunEvent.Substitution substitution:
                return TakeSubstitution(substitution);
            case RunEvent.Note or RunEvent.Undo or RunEvent.Amend or RunEvent.Whistle:
                // Said by the log, or by the clock of reps: no score hangs on it here.
                return EventResult.Taken;
            default:
                throw new InvalidOperationException("This kind of event has no place in the score.");
        }
    }

    /// <summary>The clock is another from now on, and limits move with it. What is ended for good is not begun again.</summary>
    private EventResult Reclock(RunEvent said)
    {
        if (Plan is not { } plan || _state.Done || !_clock.IsStarted)
        {
            return EventResult.Superseded;
        }

        var other = ClockChange.Of(said, plan, _clock.At(said.At));
        if (ReferenceEquals(other, plan))
        {
            return EventResult.Superseded;
        }

        var moves = _stage.Play != Play.Turns || ClockChange.MovesTurn(said);
        _state.Lengthen(other, moves ? other.Total - plan.Total : Duration.Zero, RunningAt(said.At));
        return EventResult.Taken;
    }

    /// <summary>
    /// The game under way is over as it stands, and another begins on the same sheet. Two devices may ask for it at once: a
    /// game in which nothing has happened yet goes on.
    /// </summary>
    private EventResult PlayAgain(RunEvent.Again again)
    {
        if (_playedOut is not null || !(IsPlayedOutAt(again.At) || _state.Units.Any(unit => unit.Taps > 0)))
        {
            return EventResult.Superseded;
        }

        _freezes.Close(again.At);
        _state.Close(RunningAt(again.At));
        _games.End(ReportOfGame(again.At), ClockTimeAt(again.At), Plan?.Rounds ?? 0, again.Ends);
        _state = _fresh.OfNextGame(_state, _address, Roster, _games.EndsChanged);
        Roster.BeginAgain();
        _movedByHand = null;
        _own = new OwnCounts();
        _half = new HalfScore();
        _clock = new RunClock();
        _clock.Start(again.At);
        return EventResult.Turned(_state.Turn, passed: false);
    }

    /// <summary>
    /// The round of the game under way whose end the clock itself says by an event; null where another player says it. A round of
    /// another game is none of its rounds.
    /// </summary>
    private int? RoundOf(RunEvent runEvent) =>
        runEvent.Id.Device == EventId.ClockDevice ? (runEvent.Id.N / 2) - RoundsBefore : null;

    /// <summary>Rounds of the clock in the games before this one: the clock numbers them on through all games.</summary>
    internal int RoundsBefore => _games.Rounds;

    /// <summary>
    /// Whether the turn has passed since the work of a round was over: by hand, or since the last ball ended it. The clock does
    /// not pass it again.
    /// </summary>
    internal bool IsTurnedSince(int round) => Plan is { } plan && _state.TurnBegan >= plan.WorkEnd(round).After(_countIn);

    /// <summary>Whether places were moved on by hand since the work of a round was over. The clock does not move them again.</summary>
    internal bool IsMovedSince(int round) => Plan is { } plan && _movedByHand >= plan.WorkEnd(round);

    private bool IsRound(int round) => round >= 1 && round <= (Plan?.Rounds ?? 0);

    private EventResult TakeMove(RunEvent.Rotate rotate)
    {
        if (RoundOf(rotate) is { } round)
        {
            return !IsRound(round) || IsMovedSince(round) ? EventResult.Superseded : EventResult.Taken;
        }

        _movedByHand = _clock.At(rotate.At);
        return EventResult.Taken;
    }

    /// <summary>Where the clock passes the turn, the time of the turn before was over with the work of its round.</summary>
    private RunningTime TurnOverAt(RunEvent.Turn turn, RunningTime running) =>
        RoundOf(turn) is { } round && Plan is { } plan
            ? RunningTime.Max(_state.TurnBegan, plan.WorkEnd(round).After(_countIn))
            : running;

    private EventResult TakeTurn(RunEvent.Turn turn)
    {
        if (_address.Check(turn) is { } fault)
        {
            return EventResult.Refused(fault);
        }

        var running = RunningAt(turn.At);
        int? named = turn.Unit is { } id ? _address.Units.Of(id) : null;
        if (_stage.Play != Play.Turns || _state.Done || !IsStartedAt(turn.At) || (named is { } unit && !CanTakeTurn(unit)))
        {
            return EventResult.Taken;
        }

        var over = TurnOverAt(turn, running);
        if (_limit.IsUp(_state.SinceLimitBegan(over)))
        {
            _state.Finish(_state.Units[_state.Turn], over);
        }

        if (_state.AllDone)
        {
            _state.Close(running);
        }
        else
        {
            _state.PassTurn(over, running, named is { } to && !_state.Units[to].Done ? to : null);
        }

        return EventResult.Turned(_state.Turn, !_state.Done);
    }

    private bool CanTakeTurn(int unit) => unit >= 0 && _state.Units[unit] is { Done: false, IsOn: true };

    /// <summary>Where players score, who comes in carries a score from now on, and who goes off holds nobody up.</summary>
    private EventResult TakeSubstitution(RunEvent.Substitution substitution)
    {
        var running = RunningAt(substitution.At);
        var (left, came) = Roster.Apply(substitution, _state.Done ? _state.DoneAt : running);
        if (_stage.Scores != Scorer.Player || _state.Done)
        {
            return EventResult.Taken;
        }

        var comes = came is { } newcomer ? UnitOf(newcomer) : null;
        if (comes is not null)
        {
            _state.ComeOn(comes, running);
        }

        if (left is { } leaver)
        {
            _state.GoOff(UnitOf(leaver), comes, running);
        }

        if (_state.AllDone)
        {
            _state.Close(running);
        }
        else if (_stage.Play == Play.Turns && !CanTakeTurn(_state.Turn))
        {
            _state.PassTurn(running, running, comes is { Done: false } ? comes.Index : null);
            return EventResult.Turned(_state.Turn, true);
        }

        return EventResult.Taken;
    }

    /// <summary>The tally of a player, a fresh one for who was never on the sheet.</summary>
    private UnitTally UnitOf(PlayerId player) =>
        _address.Units.Of(player) is >= 0 and var index ? _state.Units[index] : _fresh.OfNewcomer(player, _address);

    /// <summary>Ends what the clock alone has ended before this moment; in turns the turn waits to be passed.</summary>
    private void CutByClock(Instant at)
    {
        if (_state.Done || _limit.Cut is not { } cut || !_clock.IsStarted)
        {
            return;
        }

        var running = RunningAt(at);
        if (_stage.Play != Play.Turns)
        {
            if (_limit.IsPast(_state.SinceLimitBegan(running)))
            {
                _state.Close(_state.LimitAt(cut));
            }
        }
        else if (CanTakeTurn(_state.Turn) && _limit.IsPast(_state.SinceLimitBegan(running)))
        {
            _state.Finish(_state.Units[_state.Turn], _state.LimitAt(cut));
            if (_state.AllDone)
            {
                _state.Close(_state.LimitAt(cut));
            }
        }
    }
}
