using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Ladders;

/// <summary>Takes a unit up its ladder, attempt by attempt.</summary>
internal sealed class LadderJudge(Ladder ladder, StreakMiss onMiss) : TapJudge, IFinishJudge
{
    internal override IRuleState NewState() => new Climb();

    /// <summary>Takes one attempt; true where it cleared the last rung of the last lap.</summary>
    public bool Finishes(UnitTally unit, bool? attempt)
    {
        if (attempt is not { } success)
        {
            return false;
        }

        var climb = (Climb)unit.State(Slot);
        if (climb.Taken < 64 && success)
        {
            climb.Hits |= 1UL << climb.Taken;
        }

        climb.Taken++;
        var result = ladder.Pass switch
        {
            Pass.Makes makes => MakesTaken(climb, success, makes),
            Pass.InARow run => RunTaken(climb, success, run, onMiss),
            Pass.Window window => WindowTaken(climb, success, window),
            _ => throw new InvalidOperationException("A way to clear a rung that no rule knows."),
        };
        switch (result)
        {
            case WindowResult.Cleared:
                return MoveUp(unit, climb);
            case WindowResult.Short:
                FallShort(unit, climb);
                return false;
            default:
                return false;
        }
    }

    private enum WindowResult
    {
        Open,
        Cleared,
        Short,
    }

    private static WindowResult MakesTaken(Climb climb, bool success, Pass.Makes pass)
    {
        climb.Made += success ? 1 : 0;
        return climb.Made >= pass.Successes ? WindowResult.Cleared : WindowResult.Open;
    }

    private static WindowResult RunTaken(Climb climb, bool success, Pass.InARow pass, StreakMiss onMiss)
    {
        if (success)
        {
            climb.Made++;
        }
        else if (onMiss == StreakMiss.Zero)
        {
            climb.FreshWindow();
        }

        return climb.Made >= pass.Streak ? WindowResult.Cleared : WindowResult.Open;
    }

    private static WindowResult WindowTaken(Climb climb, bool success, Pass.Window pass)
    {
        climb.Made += success ? 1 : 0;
        var full = climb.Taken >= pass.Of;
        var passed = climb.Made >= pass.Successes;
        if (passed && (full || pass.Stop.HasFlag(WindowStop.Pass)))
        {
            return WindowResult.Cleared;
        }

        var lost = climb.Made + (pass.Of - climb.Taken) < pass.Successes;
        return full || (lost && pass.Stop.HasFlag(WindowStop.Fail)) ? WindowResult.Short : WindowResult.Open;
    }

    private bool MoveUp(UnitTally unit, Climb climb)
    {
        climb.FreshWindow();
        unit.Cleared++;
        climb.Highest = Math.Max(climb.Highest, climb.Rung);
        climb.Rung++;
        if (climb.Rung != ladder.Rungs.Count)
        {
            return false;
        }

        climb.Rung = 0;
        climb.Lap++;
        return climb.Lap == ladder.Laps;
    }

    private void FallShort(UnitTally unit, Climb climb)
    {
        climb.FreshWindow();
        switch (ladder.Fail)
        {
            case WindowShort.Retry:
                break;
            case WindowShort.Back:
                climb.Rung = Math.Max(0, climb.Rung - 1);
                break;
            case WindowShort.First:
                climb.Rung = 0;
                break;
            case WindowShort.Out:
                unit.Outs++;
                break;
        }
    }
}
