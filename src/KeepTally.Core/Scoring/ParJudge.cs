using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;

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

    /// <summary>The value of a unit that its par is judged by; null where none is set, it had no go, or its time is of a turn cut short.</summary>
    public static double? ValueOf(Stage stage, UnitReport unit) => ValueOf(stage, unit.Figures, unit.HadGo);

    private static double? ValueOf(Stage stage, in Figures figures, bool hadGo) =>
        stage.Par is { } par && hadGo ? new Measure(par.By, BetterOf(stage, par.By)).ValueOf(figures) : null;

    /// <summary>Whether a unit reached the par of its stage; false where none is set. Of what is better low, only what was played out counts.</summary>
    public static bool IsMet(Stage stage, UnitReport unit, bool playedOut) => IsMet(stage, unit.Figures, unit.HadGo, playedOut);

    /// <summary>The same of the figures of a unit.</summary>
    internal static bool IsMet(Stage stage, in Figures figures, bool hadGo, bool playedOut) =>
        stage.Par is { } par
        && ValueOf(stage, figures, hadGo) is { } value
        && (BetterOf(stage, par.By) == Better.High ? value >= par.Value : playedOut && value <= par.Value);
}
