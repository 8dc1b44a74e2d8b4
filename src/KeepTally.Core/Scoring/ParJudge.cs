using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;

namespace KeepTally.Core.Scoring;

/// <summary>Whether a standard was reached.</summary>
public static class ParJudge
{
    /// <summary>Which end is the good one: as the stage ranks by it, else less of time, outs and places, and more of all else.</summary>
    public static Better BetterOf(Stage stage, MeasureKind by) =>
        stage.Measures.FirstOrDefault(measure => measure.By == by) is { } measure ? measure.Better
        : by == MeasureKinds.Seconds || by == MeasureKinds.Outs || by == MeasureKinds.Place ? Better.Low
        : by == MeasureKinds.Late || by == MeasureKinds.Voids ? Better.Low
        : Better.High;

    /// <summary>Whether a unit reached the par of its stage; false where none is set. Of what is better low, only what was played out counts.</summary>
    public static bool IsMet(Stage stage, UnitReport unit, bool playedOut) =>
        stage.Par is { } par
        && unit.Value(par.By) is { } value
        && (BetterOf(stage, par.By) == Better.High ? value >= par.Value : playedOut && value <= par.Value);
}
