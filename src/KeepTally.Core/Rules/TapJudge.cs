using KeepTally.Core.Events;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules;

/// <summary>
/// Judges one rule on one sheet. What of a tap it wants to judge it says by the interfaces beside this: a rule is asked only
/// where it takes part.
/// </summary>
internal abstract class TapJudge
{
    /// <summary>Where its states are kept in each <see cref="UnitTally"/>; -1 where it has none.</summary>
    internal int Slot { get; set; } = -1;

    /// <summary>The state of a unit before any tap, or null where the judge keeps none.</summary>
    internal virtual IRuleState? NewState() => null;
}

/// <summary>A tap that is counted, in indices.</summary>
/// <param name="Event">The event of the tap.</param>
/// <param name="Zone">The zone it names, the number of zones for none of them; -1 where it names no zone.</param>
/// <param name="Counted">The index of its outcome among the unit's counts.</param>
internal readonly record struct CountedTap(RunEvent.Tap Event, int Zone, int Counted);

/// <summary>Judges first whether a tap may stand as it is.</summary>
internal interface IBreachJudge
{
    /// <summary>The breach of the tap, or null.</summary>
    IBreach? Breached(UnitTally unit, RunEvent.Tap tap);
}

/// <summary>Says whether a tap was an attempt and succeeded, where that is not for its outcome to say.</summary>
internal interface IAttemptJudge
{
    /// <param name="unit">The unit: a player, a pair, a group or a side.</param>
    /// <param name="zone">The zone the tap names; see <see cref="CountedTap"/>.</param>
    /// <param name="attempt">What its outcome says: true a success, false a failure, null neither.</param>
    bool? Attempt(UnitTally unit, int zone, bool? attempt);
}

/// <summary>Counts a tap that is not void.</summary>
internal interface ICountJudge
{
    /// <summary>Remembers the tap.</summary>
    void Count(UnitTally unit, in CountedTap tap);
}

/// <summary>Gives points of its own for a tap that breaches nothing.</summary>
internal interface IPointsJudge
{
    /// <summary>Points for the unit tapped.</summary>
    double Points(UnitTally unit, int zone, bool? attempt);
}

/// <summary>Says after a tap whether its unit has done all there is to do.</summary>
internal interface IFinishJudge
{
    /// <summary>Takes what the tap was; true where the unit is done by it.</summary>
    bool Finishes(UnitTally unit, bool? attempt);
}
