using KeepTally.Core.Clock;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>
/// The points of the first half, where a clock has a break between two: taken down when the work after the break begins, so that
/// the last ball is of the half it was played in.
/// </summary>
internal sealed class HalfScore
{
    private double[]? _first;

    internal HalfScore Copy() => (HalfScore)MemberwiseClone();

    /// <summary>Takes the points down where the second half has begun by what the clock reads, and they are not taken down yet.</summary>
    internal void Pass(ClockPlan? plan, ClockTime elapsed, UnitTally[] units)
    {
        if (_first is null && plan is not null && SecondFrom(plan) is { } second && elapsed >= second)
        {
            _first = Array.ConvertAll(units, unit => unit.Points);
        }
    }

    /// <summary>The points of a unit in the first half; null while that is played, or where there are no halves.</summary>
    internal double? Of(ClockPlan? plan, ClockTime elapsed, UnitTally unit) =>
        _first is { } first ? (unit.Index < first.Length ? first[unit.Index] : 0)
        : plan?.BreakAfter is { } rest && rest.Round < plan.Rounds && elapsed >= plan.WorkEnd(rest.Round) ? unit.Points
        : null;

    /// <summary>When the work after the break begins; null where nothing comes after it.</summary>
    private static ClockTime? SecondFrom(ClockPlan plan) =>
        plan.BreakAfter is { } rest && rest.Round < plan.Rounds ? plan.WorkEnd(rest.Round + 1) - plan.WorkOf(rest.Round + 1) : null;
}
