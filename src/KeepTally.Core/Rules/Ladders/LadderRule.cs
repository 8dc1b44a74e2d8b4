using KeepTally.Core.Cards;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Ladders;

/// <summary>What one attempt does to a unit's climb.</summary>
internal static class LadderRule
{
    /// <summary>Takes one attempt; true where it cleared the last rung of the last lap.</summary>
    internal static bool Attempt(Ladder ladder, UnitTally unit, bool success, StreakMiss onMiss)
    {
        var climb = unit.Climb;
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
                return MoveUp(ladder, climb);
            case WindowResult.Short:
                FallShort(ladder.Fail, unit);
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

    private static bool MoveUp(Ladder ladder, Climb climb)
    {
        climb.FreshWindow();
        climb.Cleared++;
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

    private static void FallShort(WindowShort fail, UnitTally unit)
    {
        unit.Climb.FreshWindow();
        switch (fail)
        {
            case WindowShort.Retry:
                break;
            case WindowShort.Back:
                unit.Climb.Rung = Math.Max(0, unit.Climb.Rung - 1);
                break;
            case WindowShort.First:
                unit.Climb.Rung = 0;
                break;
            case WindowShort.Out:
                unit.Outs++;
                break;
        }
    }
}
