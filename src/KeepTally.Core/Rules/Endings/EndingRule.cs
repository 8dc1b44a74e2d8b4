using KeepTally.Core.Cards;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Endings;

/// <summary>Whether a unit meets a condition that was met by a tap. The clock is judged apart: it ends without a tap.</summary>
internal static class EndingRule
{
    /// <summary>Whether the condition is one side's own, so that it decides a match: by outs it is lost, by the others won.</summary>
    internal static bool IsOwn(Ending ending) => ending is not (Ending.Attempts or Ending.Taps or Ending.Time);

    internal static bool IsMet(Ending ending, UnitTally unit, UnitTally[] units, Play play) =>
        ending switch
        {
            Ending.Points points => unit.Points >= points.AtLeast && Leads(unit, units, points.Lead),
            Ending.Attempts attempts => Summed(unit, units, play, static tally => tally.Attempts) >= attempts.Count,
            Ending.Taps taps => Summed(unit, units, play, static tally => tally.Taps) >= taps.Count,
            Ending.Successes successes => unit.Successes >= successes.Count,
            Ending.Streak streak => unit.Streak >= streak.Count,
            Ending.Outs outs => unit.Outs >= outs.Count,
            Ending.Time => false,
            _ => throw new InvalidOperationException("An ending that no rule knows."),
        };

    private static bool Leads(UnitTally unit, UnitTally[] units, double lead)
    {
        foreach (var other in units)
        {
            if (other != unit && unit.Points - other.Points < lead)
            {
                return false;
            }
        }

        return true;
    }

    private static int Summed(UnitTally unit, UnitTally[] units, Play play, Func<UnitTally, int> count)
    {
        if (play != Play.Match)
        {
            return count(unit);
        }

        var sum = 0;
        foreach (var each in units)
        {
            sum += count(each);
        }

        return sum;
    }
}
