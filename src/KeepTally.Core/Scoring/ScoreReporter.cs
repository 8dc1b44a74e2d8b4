using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>Writes down how a sheet stands at a moment. What the clock alone has ended by then is told, and nothing is changed.</summary>
internal static class ScoreReporter
{
    /// <param name="stageIndex">The position of the stage on the card, from 0.</param>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="state">The score so far.</param>
    /// <param name="limit">The limit of time.</param>
    /// <param name="started">True once the drill was started.</param>
    /// <param name="running">Running time at the moment.</param>
    /// <param name="freezes">The stops, in order.</param>
    /// <param name="stays">The time each player spent on the sheet.</param>
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
        RankedUnit[] ranking = !started
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
        )
        {
            WonWith = state.WonWith >= 0 ? stage.Outcomes[state.WonWith].Id : null,
        };
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
    /// <param name="stage">The stage of the card.</param>
    /// <param name="state">The score so far.</param>
    /// <param name="limit">The limit of time.</param>
    /// <param name="started">True once the drill was started.</param>
    /// <param name="running">The work that has run so far.</param>
    /// <param name="whoHadGo">Only among those for whom something was counted; in a match among all.</param>
    internal static int Leader(
        Stage stage,
        ScoreState state,
        ClockLimit limit,
        bool started,
        RunningTime running,
        bool whoHadGo = false
    )
    {
        if (!started)
        {
            return -1;
        }

        var (figures, indices) = (new Figures[state.Units.Length], new int[state.Units.Length]);
        var count = 0;
        foreach (var unit in state.Units)
        {
            if (!whoHadGo || stage.Play == Play.Match || unit.HadGo)
            {
                indices[count] = unit.Index;
                figures[count++] = UnitFigures.Of(stage, unit, state.UnitTimeAt(unit, limit, started, running));
            }
        }

        return RankRule.LeaderAlone(MeasuresOf(stage, state), figures.AsSpan(0, count)) is >= 0 and var leader
            ? indices[leader]
            : -1;
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
