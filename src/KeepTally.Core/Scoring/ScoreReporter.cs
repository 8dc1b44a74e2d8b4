using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>Writes down how a sheet stands at a moment. What the clock alone has ended by then is told, and nothing is changed.</summary>
internal static class ScoreReporter
{
    /// <param name="running">Running time at the moment.</param>
    internal static ScoreReport Report(
        int stageIndex,
        Stage stage,
        ScoreState state,
        ClockLimit limit,
        bool started,
        RunningTime running,
        IReadOnlyList<FreezeReport> freezes,
        IReadOnlyList<Stay> stays
    )
    {
        var units = Array.ConvertAll(state.Units, unit => UnitAt(stage, state, limit, started, unit, running));
        var done = state.IsDoneAt(limit, started, running);
        RankedUnit[] ranking =
            !started && !done
                ? []
                :
                [
                    .. RankRule
                        .Rank(
                            MeasuresOf(stage, state),
                            Array.ConvertAll(
                                state.Units,
                                unit => (unit.Unit.Id, UnitFigures.Of(stage, unit, state.UnitTimeAt(unit, limit, started, running)))
                            )
                        )
                        .Select(ranked => new RankedUnit(ranked.Rank, ranked.Unit)),
                ];
        return new ScoreReport(
            stageIndex,
            started,
            done,
            state.Winner >= 0 ? (PlayerId?)state.Units[state.Winner].Unit.Id
                : done ? RankRule.FirstAlone(ranking)
                : null,
            done || state.Turn < 0 ? null : state.Units[state.Turn].Unit.Id,
            state.Ball < 0 ? null : state.Units[state.Ball].Unit.Id,
            state.RunningAt(limit, started, running),
            state.Late,
            units,
            ranking,
            freezes,
            [.. stays]
        );
    }

    /// <summary>The same moment, as far as words about a tap ask for it.</summary>
    internal static ScoreSnapshot Snapshot(Stage stage, ScoreState state, ClockLimit limit, bool started, RunningTime running)
    {
        var done = state.IsDoneAt(limit, started, running);
        return new ScoreSnapshot(
            started,
            done,
            state.Winner >= 0 ? (PlayerId?)state.Units[state.Winner].Unit.Id
                : done && Leader(stage, state, limit, started, running) is >= 0 and var leader ? state.Units[leader].Unit.Id
                : null,
            done || state.Turn < 0 ? null : state.Units[state.Turn].Unit.Id,
            state.Ball < 0 ? null : state.Units[state.Ball].Unit.Id,
            Array.ConvertAll(
                state.Units,
                unit => UnitReporter.Snapshot(stage, unit, state.IsUnitDoneAt(unit, limit, started, running))
            )
        );
    }

    /// <summary>The index of the unit ranked first alone, or -1.</summary>
    internal static int Leader(Stage stage, ScoreState state, ClockLimit limit, bool started, RunningTime running)
    {
        if (!started && !state.IsDoneAt(limit, started, running))
        {
            return -1;
        }

        var figures = new Figures[state.Units.Length];
        for (var i = 0; i < figures.Length; i++)
        {
            var unit = state.Units[i];
            figures[i] = UnitFigures.Of(stage, unit, state.UnitTimeAt(unit, limit, started, running));
        }

        return RankRule.LeaderAlone(MeasuresOf(stage, state), figures);
    }

    private static IReadOnlyList<Measure> MeasuresOf(Stage stage, ScoreState state)
    {
        var (tapped, said) = (false, false);
        foreach (var unit in state.Units)
        {
            tapped |= unit.Taps > 0;
            said |= unit.OwnCount is not null;
        }

        return stage.RankedBy(tapped, said);
    }

    internal static UnitReport UnitAt(
        Stage stage,
        ScoreState state,
        ClockLimit limit,
        bool started,
        UnitTally unit,
        RunningTime running
    ) =>
        UnitReporter.Report(
            stage,
            unit,
            state.UnitTimeAt(unit, limit, started, running),
            state.IsUnitDoneAt(unit, limit, started, running)
        );
}
