using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tallies;

/// <summary>The state of a sheet while it is folded: units, turn, ball, and whether it is done.</summary>
/// <param name="units">The tallies of the units, in order.</param>
/// <param name="play">The way units play: together, in turns or in a match.</param>
/// <param name="ball">The unit that has the ball at the start, from 0; below 0 for none.</param>
/// <param name="plan">The clock of the stage, or null.</param>
/// <param name="turnsEach">How many turns each unit has; null where nothing says so.</param>
internal sealed class ScoreState(UnitTally[] units, Play play, int ball, ClockPlan? plan, int? turnsEach = null)
{
    /// <summary>The seconds that coaches have added to the limit of the turn under way, or of the stage.</summary>
    private Duration _added;

    private int _left;

    /// <summary>Units on the sheet that are not done.</summary>
    private int _open = units.Length;
    private int _on = units.Length;

    private IReadOnlyList<Unit>? _names;

    internal UnitTally[] Units { get; private set; } = units;

    /// <summary>Everyone who carries a score, in their order.</summary>
    internal IReadOnlyList<Unit> Names => _names ??= Array.ConvertAll(Units, unit => unit.Unit);

    internal bool Done { get; private set; }

    /// <summary>The running time at which the sheet was done.</summary>
    internal RunningTime DoneAt { get; private set; }

    /// <summary>The index of the unit that won by a rule of its own, or -1.</summary>
    internal int Winner { get; private set; } = -1;

    /// <summary>The index of the outcome that won it at once, or -1.</summary>
    internal int WonWith { get; set; } = -1;

    /// <summary>The index of the unit with the ball, or -1.</summary>
    internal int Ball { get; private set; } = ball;

    internal int Late { get; private set; }

    /// <summary>The index of the unit whose turn it is, or -1 where there are no turns.</summary>
    internal int Turn { get; private set; } = play == Play.Turns ? 0 : -1;

    /// <summary>How often the turn was passed.</summary>
    internal int TurnsPassed { get; private set; }

    /// <summary>When this turn began; where it was passed in a rest, when the next work begins.</summary>
    internal RunningTime TurnBegan { get; private set; }

    /// <summary>The same state, that goes its own way from here.</summary>
    internal ScoreState Copy()
    {
        var copy = (ScoreState)MemberwiseClone();
        copy.Units = Array.ConvertAll(Units, unit => unit.Copy());
        return copy;
    }

    /// <summary>Everyone who is on the sheet is done. Where nobody is on it, nobody is.</summary>
    internal bool AllDone => _open == 0 && _on > 0;

    /// <summary>Whether a unit is done at a moment: by a rule, or by the clock, which ends it without an event.</summary>
    internal bool IsUnitDoneAt(UnitTally unit, ClockLimit limit, bool started, RunningTime running) =>
        unit.Done || (limit.Cut is { } cut && started && IsUnderClock(unit) && SinceLimitBegan(running) >= cut);

    /// <summary>A unit's own running time at a moment; it stands from the moment it was done.</summary>
    internal Duration UnitTimeAt(UnitTally unit, ClockLimit limit, bool started, RunningTime running) =>
        unit.Done ? unit.DoneAfter
        : limit.Cut is { } cut && started && unit.IsOn && IsUnderClock(unit) ? OwnTime(unit, running) - Over(cut, running)
        : OwnTime(unit, running);

    /// <summary>Whether the sheet is done at a moment: everyone on it is, if anyone is on it.</summary>
    internal bool IsDoneAt(ClockLimit limit, bool started, RunningTime running) =>
        Done
        || (
            started
            && _on > 0
            && limit.Cut is { } cut
            && SinceLimitBegan(running) >= cut
            && (play != Play.Turns || (_open == 1 && Units[Turn] is { Done: false, IsOn: true }))
        );

    /// <summary>Once the sheet is done its clock stands at the moment it was done: the limit, where the clock ended it.</summary>
    internal RunningTime RunningAt(ClockLimit limit, bool started, RunningTime running) =>
        Done ? DoneAt
        : IsDoneAt(limit, started, running) ? running - Over(limit.Cut!.Value, running)
        : running;

    /// <summary>In turns the time limit is the turn's own.</summary>
    private bool IsUnderClock(UnitTally unit) => play != Play.Turns || (unit.Index == Turn && unit.IsOn);

    /// <summary>By how much a limit is passed.</summary>
    private Duration Over(Duration cut, RunningTime running) => Duration.Max(Duration.Zero, SinceLimitBegan(running) - cut);

    /// <summary>The time that counts toward a limit: what coaches have added does not.</summary>
    internal Duration SinceLimitBegan(RunningTime running) =>
        (play == Play.Turns ? running - TurnBegan : running.SinceStart) - _added;

    /// <summary>When a limit is reached.</summary>
    internal RunningTime LimitAt(Duration limit) => (play == Play.Turns ? TurnBegan : RunningTime.Zero) + limit + _added;

    /// <summary>
    /// The clock is another from now on, and limits with it: in turns that of the turn, since the rest that was cut short is work
    /// now. A turn that was passed in that rest begins with it.
    /// </summary>
    internal void Lengthen(ClockPlan longer, Duration by, RunningTime now)
    {
        Plan = longer;
        if (play == Play.Turns && TurnBegan > now)
        {
            TurnBegan = now;
        }
        else
        {
            _added += by;
        }
    }

    /// <summary>The clock of the stage, with what coaches have added; null where it has none.</summary>
    internal ClockPlan? Plan { get; private set; } = plan;

    /// <summary>A unit's own running time: all its turns in turns, else the sheet's.</summary>
    internal Duration OwnTime(UnitTally unit, RunningTime running) =>
        play != Play.Turns
            ? (unit.WentOff ?? running).SinceStart - unit.TimeOff
            : unit.EarlierTurns
                + (unit.Index == Turn && unit.IsOn ? Duration.Max(Duration.Zero, running - TurnBegan) : Duration.Zero);

    internal void CountLate(UnitTally? unit)
    {
        Late++;
        if (unit is not null)
        {
            unit.Late++;
        }
    }

    /// <param name="unit">The unit: a player, a pair, a group or a side.</param>
    /// <param name="running">The work that has run so far.</param>
    /// <param name="finished">By what the unit did itself, and not by the clock, the coach, or another's win.</param>
    internal void Finish(UnitTally unit, RunningTime running, bool finished = false)
    {
        if (!unit.Done)
        {
            unit.Finished = finished;
            unit.DoneAfter = OwnTime(unit, running);
            unit.Done = true;
            _open -= unit.IsOn ? 1 : 0;
        }
    }

    /// <summary>The unit is done and takes the next place.</summary>
    internal void Leave(UnitTally unit, RunningTime running)
    {
        unit.Place ??= ++_left;
        Finish(unit, running, finished: true);
    }

    internal void Close(RunningTime running)
    {
        if (Done)
        {
            return;
        }

        foreach (var unit in Units)
        {
            Finish(unit, running);
        }

        Done = true;
        DoneAt = running;
    }

    /// <summary>The sheet is done, won by a unit; -1 where nobody is left to win.</summary>
    /// <param name="unit">The position of the unit that won, from 0.</param>
    /// <param name="running">The work that has run so far.</param>
    /// <param name="finished">It won by what was done, and not because another was out.</param>
    internal void Win(int unit, RunningTime running, bool finished = true)
    {
        Winner = Winner < 0 ? unit : Winner;
        if (Winner >= 0 && !Done)
        {
            Finish(Units[Winner], running, finished);
        }

        Close(running);
    }

    internal void TurnOver()
    {
        var next = Ball;
        do
        {
            next = next < 0 ? -1 : (next + 1) % Units.Length;
        } while (next >= 0 && next != Ball && !Units[next].IsOn);
        Ball = next;
    }

    /// <summary>A unit comes onto the sheet: a new one, or one that was off. Its own time counts from now.</summary>
    internal void ComeOn(UnitTally unit, RunningTime running)
    {
        if (unit.Index == Units.Length)
        {
            Units = [.. Units, unit];
            _names = null;
            unit.TimeOff = running.SinceStart;
        }
        else
        {
            unit.TimeOff += running - (unit.WentOff ?? running);
            unit.WentOff = null;
        }

        _on++;
        _open += unit.Done ? 0 : 1;
    }

    /// <summary>A unit goes off the sheet with all it has scored; the turn and the ball pass on.</summary>
    /// <param name="unit">The unit: a player, a pair, a group or a side.</param>
    /// <param name="instead">Who came in for it, or null: the turn and the ball pass to the next.</param>
    /// <param name="running">The work that has run so far.</param>
    internal void GoOff(UnitTally unit, UnitTally? instead, RunningTime running)
    {
        unit.WentOff = running;
        _on--;
        _open -= unit.Done ? 0 : 1;
        if (Ball == unit.Index)
        {
            Ball = instead?.Index ?? Ball;
            if (instead is null)
            {
                TurnOver();
            }
        }
    }

    /// <summary>The index of the unit the turn passes to by itself, or -1 where there are no turns.</summary>
    internal int NextTurn => play == Play.Turns ? NextAfter(Turn) : -1;

    /// <summary>Passes the turn to a unit, or to the next in listed order that is not done; the sheet is done where that was the last turn of all.</summary>
    /// <param name="over">When the turn before was over.</param>
    /// <param name="now">When it is passed.</param>
    /// <param name="to">The position of the unit whose turn is next; null for the next in order.</param>
    internal void PassTurn(RunningTime over, RunningTime now, int? to = null)
    {
        var before = Units[Turn];
        before.Turns += before.IsOn ? 1 : 0;
        if (before.Turns >= turnsEach)
        {
            Finish(before, over);
        }

        if (AllDone)
        {
            Close(over);
            return;
        }

        if (!before.Done)
        {
            before.EarlierTurns += Duration.Max(Duration.Zero, over - TurnBegan);
        }

        TurnsPassed++;
        Turn = to ?? NextAfter(Turn);
        TurnBegan = Plan is null ? now : Plan.WorkFrom(now.On(Plan.CountIn)).After(Plan.CountIn);
        _added = Duration.Zero;
    }

    private int NextAfter(int turn)
    {
        for (var step = 1; step <= Units.Length; step++)
        {
            var next = (turn + step) % Units.Length;
            if (Units[next] is { Done: false, IsOn: true })
            {
                return next;
            }
        }

        return turn;
    }
}
