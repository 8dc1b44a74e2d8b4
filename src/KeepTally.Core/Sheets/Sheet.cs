using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Formats;
using KeepTally.Core.Sheets.Rules;

namespace KeepTally.Core.Sheets;

/// <summary>
/// One tally sheet: the fold of the standing events of a log over the rules of a stage. Events come in their order,
/// each once; see <see cref="EventLog"/>. Source: docs/formats.md, sections 1 and 2.
/// </summary>
public sealed class Sheet
{
    private readonly Stage _stage;
    private readonly int _stageIndex;
    private readonly TapAddress _address;
    private readonly UnitTally[] _units;
    private readonly ClockLimit _limit;
    private readonly long _countIn;
    private readonly RunningTime _clock = new();
    private readonly FreezeBook _freezes = new();

    private bool _done;
    private long _doneAt;
    private int _winner = -1;
    private int _turn = -1;
    private long _turnBegan;
    private int _ball = -1;
    private int _left;
    private int _late;
    private bool _turnPasses;

    private Sheet(DrillCard card, LogHead head)
    {
        _stageIndex = head.Stage;
        _stage = card.Stages[head.Stage];
        _address = new TapAddress(_stage, head.Units);
        _units =
        [
            .. head.Units.Select(
                (unit, index) => new UnitTally(index, unit, _stage.Outcomes.Count, _address.ZoneCount, _stage.Limits.Count)
            ),
        ];
        _limit = ClockLimit.Of(_stage.Until);
        _countIn = _stage.Clock?.CountIn ?? 0;
        _turn = _stage.Play == Play.Turns ? 0 : -1;
        _ball = _stage.Ball is { } ball ? _address.Units[ball] : -1;
    }

    /// <summary>An empty sheet, where the log's head fits the card.</summary>
    public static Reading<Sheet> Open(DrillCard card, LogHead head)
    {
        var faults = HeadFit.Check(card, head);
        return faults.Count == 0 ? Reading<Sheet>.Of(new Sheet(card, head)) : Reading<Sheet>.Failed(faults);
    }

    public Stage Stage => _stage;

    public IReadOnlyList<Unit> Units => [.. _units.Select(unit => unit.Unit)];

    /// <summary>Time since start was pressed, the count-in included, pauses left out.</summary>
    public RunningTime Clock => _clock;

    /// <summary>The reason of the teaching stop under way, or null.</summary>
    public string? FrozenFor => _freezes.OpenReason;

    /// <summary>Why an event cannot stand on this sheet, whatever the state of play; null where it can.</summary>
    public Refusal? Refuse(RunEvent said) => _address.Refuse(said);

    /// <summary>Takes the next event.</summary>
    public Verdict Apply(RunEvent said)
    {
        CutByClock(said.At);
        switch (said)
        {
            case RunEvent.Tap tap:
                return Take(tap);
            case RunEvent.Start:
                _clock.Start(said.At);
                return Verdict.Taken;
            case RunEvent.Pause:
                _clock.Pause(said.At);
                return Verdict.Taken;
            case RunEvent.Resume:
                _freezes.Close(said.At);
                _clock.Resume(said.At);
                return Verdict.Taken;
            case RunEvent.Freeze freeze:
                if (_clock.IsStarted && !_done)
                {
                    _freezes.Open(freeze.Reason, said.At);
                    _clock.Pause(said.At);
                }

                return Verdict.Taken;
            case RunEvent.End:
                _freezes.Close(said.At);
                Close(RunningAt(said.At));
                return Verdict.Taken;
            case RunEvent.Turn turn:
                return TakeTurn(turn);
            default:
                return Verdict.Taken;
        }
    }

    /// <summary>How the sheet stands at a moment not before its last event. Looking changes nothing.</summary>
    public SheetReport Report(long at)
    {
        var running = _done
            ? _doneAt
            : Math.Min(RunningAt(at), _stage.Play == Play.Turns ? long.MaxValue : _limit.Cut ?? long.MaxValue);
        var units = UnitsAt(RunningAt(at));
        var done = _done || (units.Count > 0 && _clock.IsStarted && units.All(unit => unit.Done));
        if (done && !_done && _stage.Play == Play.Turns)
        {
            running = Math.Min(running, _turnBegan + (_limit.Cut ?? 0));
        }

        var ranking = RankRule.Rank(_stage.Measures, units);
        return new SheetReport(
            _stageIndex,
            IsStartedAt(at),
            done,
            _winner >= 0 ? _units[_winner].Unit.Id
                : done ? RankRule.FirstAlone(ranking)
                : null,
            done || _turn < 0 ? null : _units[_turn].Unit.Id,
            _ball < 0 ? null : _units[_ball].Unit.Id,
            running,
            _late,
            units,
            ranking,
            _freezes.Report(at)
        );
    }

    /// <summary>The sheet starts when the count-in is over.</summary>
    private bool IsStartedAt(long at) => _clock.IsStarted && (_done || _clock.At(at) >= _countIn);

    /// <summary>Running milliseconds since the sheet started.</summary>
    private long RunningAt(long at) => Math.Max(0, _clock.At(at) - _countIn);

    private Verdict Take(RunEvent.Tap tap)
    {
        if (_address.Find(tap, _done ? -1 : _turn, _ball, out var found) is { } refusal)
        {
            return Verdict.Refused(refusal);
        }

        var unit = found.Unit < 0 ? null : _units[found.Unit];
        if (unit is null || _done || unit.Done || !IsStartedAt(tap.At))
        {
            _late++;
            if (unit is not null)
            {
                unit.Late++;
            }

            return Verdict.Late(found.Unit);
        }

        var breach = tap.Tags is null ? null : LimitRule.Breached(_stage.Limits, unit, tap.Tags);
        if (breach?.Breach == Breach.Void)
        {
            unit.Voids++;
            return Verdict.Void(found.Unit);
        }

        var attempt = Count(tap, found, unit, breached: breach is not null);
        EndWhatIsMet(RunningAt(tap.At));
        return Verdict.Counted(found.Unit, attempt);
    }

    private bool? Count(RunEvent.Tap tap, Addressed found, UnitTally unit, bool breached)
    {
        var running = RunningAt(tap.At);
        var outcome = found.Outcome < 0 ? null : _stage.Outcomes[found.Outcome];
        unit.Taps++;
        if (tap.Tags is not null)
        {
            LimitRule.Remember(_stage.Limits, unit, tap.Tags);
        }

        var attempt = Judge(found, unit, outcome);
        attempt = breached ? false : attempt;
        unit.Counts[found.Outcome >= 0 ? found.Outcome : _stage.Outcomes.Count + (attempt == true ? 0 : 1)]++;
        if (attempt is { } success)
        {
            AttemptRule.Count(unit, success, _stage.Streak);
        }

        if (!breached)
        {
            unit.Points += attempt == true && found.Zone >= 0 && _stage.Targets is { } targets ? targets.Points : 0;
            PointsRule.Give(outcome?.Points ?? [], unit, _units, _address.Units);
        }

        if (outcome?.Reading is not null && tap.Value is { } value)
        {
            unit.Readings.Add(value);
        }

        if (_stage.Ladder is { } ladder && attempt is { } climbed && LadderRule.Attempt(ladder, unit, climbed, _stage.Streak))
        {
            Finish(unit, running);
        }

        if (!breached && outcome is not null)
        {
            for (var i = 0; i < outcome.Does.Count; i++)
            {
                Do(outcome.Does[i], unit, running);
            }
        }

        if (_stage.Targets is { } asked && TargetRule.AllAnswered(asked, unit))
        {
            Finish(unit, running);
        }

        return attempt;
    }

    private bool? Judge(Addressed found, UnitTally unit, Outcome? outcome)
    {
        if (_stage.Targets is { } targets && found.Zone >= 0)
        {
            return TargetRule.Answer(targets, unit, found.Zone);
        }

        return outcome?.Result switch
        {
            OutcomeResult.Success => true,
            OutcomeResult.Failure => false,
            _ => null,
        };
    }

    private void Do(Effect effect, UnitTally unit, long running)
    {
        switch (effect)
        {
            case Effect.Reset:
                unit.Points = 0;
                break;
            case Effect.Win:
                Win(unit.Index, running);
                break;
            case Effect.Lose:
                Win(BestOther(unit, running), running);
                break;
            case Effect.TurnOver:
                _ball = _ball < 0 ? -1 : (_ball + 1) % _units.Length;
                break;
            case Effect.Next:
                _turnPasses = true;
                break;
            case Effect.Leave:
                unit.Place ??= ++_left;
                Finish(unit, running);
                break;
            case Effect.Out:
                unit.Outs++;
                break;
        }
    }

    /// <summary>Ends what the tap brought to its end, in unit order, then passes the turn.</summary>
    private void EndWhatIsMet(long running)
    {
        for (var i = 0; i < _units.Length && !_done; i++)
        {
            if (!_units[i].Done)
            {
                EndUnit(_units[i], running);
            }
        }

        if (!_done && AllDone())
        {
            Close(running);
        }

        if (_stage.Play == Play.Turns && !_done && (_turnPasses || _units[_turn].Done))
        {
            PassTurn(running, NextAfter(_turn));
        }

        _turnPasses = false;
    }

    private void EndUnit(UnitTally unit, long running)
    {
        for (var i = 0; i < _stage.Until.Count; i++)
        {
            var ending = _stage.Until[i];
            if (!EndingRule.IsMet(ending, unit, _units, _stage.Play))
            {
                continue;
            }

            if (_stage.Play != Play.Match)
            {
                Finish(unit, running);
            }
            else if (EndingRule.IsOwn(ending))
            {
                Win(unit.Index, running);
            }
            else
            {
                Close(running);
            }

            return;
        }
    }

    private Verdict TakeTurn(RunEvent.Turn turn)
    {
        if (_address.Refuse(turn) is { } refusal)
        {
            return Verdict.Refused(refusal);
        }

        if (_stage.Play != Play.Turns || _done || !IsStartedAt(turn.At))
        {
            return Verdict.Taken;
        }

        var running = RunningAt(turn.At);
        var named = turn.Unit is { } id ? _address.Units[id] : -1;
        if (named >= 0 && _units[named].Done)
        {
            return Verdict.Taken;
        }

        if (_limit.IsUp(running - _turnBegan))
        {
            Finish(_units[_turn], running);
        }

        if (AllDone())
        {
            Close(running);
        }
        else
        {
            PassTurn(running, named >= 0 && !_units[named].Done ? named : NextAfter(_turn));
        }

        return Verdict.Taken;
    }

    private void PassTurn(long running, int next)
    {
        if (!_units[_turn].Done)
        {
            _units[_turn].EarlierTurns += running - _turnBegan;
        }

        _turn = next;
        _turnBegan = running;
    }

    private int NextAfter(int turn)
    {
        for (var step = 1; step <= _units.Length; step++)
        {
            var next = (turn + step) % _units.Length;
            if (!_units[next].Done)
            {
                return next;
            }
        }

        return turn;
    }

    /// <summary>What the clock alone has ended before this moment; in turns the turn itself waits to be passed.</summary>
    private void CutByClock(long at)
    {
        if (_done || _limit.Cut is not { } cut || !_clock.IsStarted)
        {
            return;
        }

        var running = RunningAt(at);
        if (_stage.Play != Play.Turns)
        {
            if (_limit.IsPast(running))
            {
                Close(cut);
            }
        }
        else if (!_units[_turn].Done && _limit.IsPast(running - _turnBegan))
        {
            Finish(_units[_turn], _turnBegan + cut);
            if (AllDone())
            {
                Close(_turnBegan + cut);
            }
        }
    }

    private void Win(int unit, long running)
    {
        _winner = _winner < 0 ? unit : _winner;
        Close(running);
    }

    private void Close(long running)
    {
        if (_done)
        {
            return;
        }

        foreach (var unit in _units)
        {
            Finish(unit, running);
        }

        _done = true;
        _doneAt = running;
    }

    private void Finish(UnitTally unit, long running)
    {
        if (!unit.Done)
        {
            unit.DoneAfter = OwnTime(unit, running);
            unit.Done = true;
        }
    }

    /// <summary>A unit's own running time: all its turns in turns, else the sheet's.</summary>
    private long OwnTime(UnitTally unit, long running) =>
        _stage.Play != Play.Turns ? running : unit.EarlierTurns + (unit.Index == _turn ? running - _turnBegan : 0);

    private bool AllDone()
    {
        foreach (var unit in _units)
        {
            if (!unit.Done)
            {
                return false;
            }
        }

        return true;
    }

    private int BestOther(UnitTally unit, long running)
    {
        var others = UnitsAt(running).Where(other => other.Id != unit.Unit.Id).ToArray();
        return others.Length == 0 ? -1 : _address.Units[RankRule.Rank(_stage.Measures, others)[0].Unit];
    }

    private List<UnitReport> UnitsAt(long running)
    {
        var reports = new List<UnitReport>(_units.Length);
        foreach (var unit in _units)
        {
            var (time, up) = (OwnTime(unit, running), false);
            if (!unit.Done && _limit.Cut is { } cut && _clock.IsStarted && (_stage.Play != Play.Turns || unit.Index == _turn))
            {
                var own = _stage.Play == Play.Turns ? running - _turnBegan : running;
                up = own >= cut;
                time -= Math.Max(0, own - cut);
            }

            reports.Add(UnitReporter.Report(_stage, unit, unit.Done ? unit.DoneAfter : time, unit.Done || up));
        }

        return reports;
    }
}
