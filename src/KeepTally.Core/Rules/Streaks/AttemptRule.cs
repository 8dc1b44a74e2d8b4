using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Streaks;

/// <summary>Attempts, successes, the run of successes and the best of them.</summary>
internal static class AttemptRule
{
    /// <summary>Counts one attempt of a unit.</summary>
    internal static void Count(UnitTally unit, bool success, StreakMiss onMiss)
    {
        unit.Attempts++;
        if (success)
        {
            unit.Successes++;
            unit.Streak++;
            unit.BestStreak = Math.Max(unit.BestStreak, unit.Streak);
        }
        else if (onMiss == StreakMiss.Zero)
        {
            unit.Streak = 0;
        }
    }

    /// <summary>A success of one side ends the runs of all others; their best ones stay.</summary>
    internal static void BreakOthers(UnitTally scorer, UnitTally[] units)
    {
        foreach (var unit in units)
        {
            if (unit != scorer)
            {
                unit.Streak = 0;
            }
        }
    }
}
