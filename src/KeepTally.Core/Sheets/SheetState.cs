using KeepTally.Core.Cards;

namespace KeepTally.Core.Sheets;

/// <summary>What stands on a sheet while it is folded: its units, whose turn it is, who has the ball, whether it is done.</summary>
internal sealed class SheetState(UnitTally[] units, Play play, int ball)
{
    private int _left;
    private int _open = units.Length;

    internal UnitTally[] Units { get; } = units;

    internal bool Done { get; private set; }

    /// <summary>Running milliseconds at which the sheet was done.</summary>
    internal long DoneAt { get; private set; }

    /// <summary>The index of the unit that won by a rule of its own, or -1.</summary>
    internal int Winner { get; private set; } = -1;

    /// <summary>The index of the unit with the ball, or -1.</summary>
    internal int Ball { get; private set; } = ball;

    internal int Late { get; private set; }

    /// <summary>The index of the unit whose turn it is, or -1 where there are no turns.</summary>
    internal int Turn { get; private set; } = play == Play.Turns ? 0 : -1;

    /// <summary>How often the turn was passed.</summary>
    internal int TurnsPassed { get; private set; }

    /// <summary>Running milliseconds at which this turn began.</summary>
    internal long TurnBegan { get; private set; }

    internal bool AllDone => _open == 0;

    /// <summary>A unit's own running time: all its turns in turns, else the sheet's.</summary>
    internal long OwnTime(UnitTally unit, long running) =>
        play != Play.Turns ? running : unit.EarlierTurns + (unit.Index == Turn ? running - TurnBegan : 0);

    internal void CountLate(UnitTally? unit)
    {
        Late++;
        if (unit is not null)
        {
            unit.Late++;
        }
    }

    internal void Finish(UnitTally unit, long running)
    {
        if (!unit.Done)
        {
            unit.DoneAfter = OwnTime(unit, running);
            unit.Done = true;
            _open--;
        }
    }

    /// <summary>The unit is done and takes the next place.</summary>
    internal void Leave(UnitTally unit, long running)
    {
        unit.Place ??= ++_left;
        Finish(unit, running);
    }

    internal void Close(long running)
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
    internal void Win(int unit, long running)
    {
        Winner = Winner < 0 ? unit : Winner;
        Close(running);
    }

    internal void TurnOver() => Ball = Ball < 0 ? -1 : (Ball + 1) % Units.Length;

    /// <summary>Passes the turn to a unit, or to the next in listed order that is not done.</summary>
    internal void PassTurn(long running, int? to = null)
    {
        if (!Units[Turn].Done)
        {
            Units[Turn].EarlierTurns += running - TurnBegan;
        }

        TurnsPassed++;
        Turn = to ?? NextAfter(Turn);
        TurnBegan = running;
    }

    private int NextAfter(int turn)
    {
        for (var step = 1; step <= Units.Length; step++)
        {
            var next = (turn + step) % Units.Length;
            if (!Units[next].Done)
            {
                return next;
            }
        }

        return turn;
    }
}
