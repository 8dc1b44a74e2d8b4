using KeepTally.Core.Cards;
using KeepTally.Core.Sheets.Rules;

namespace KeepTally.Core.Sheets;

/// <summary>Writes down how a sheet stands at a moment. What the clock alone has ended by then is told, and nothing is changed.</summary>
internal static class SheetReporter
{
    /// <param name="running">Running milliseconds at the moment.</param>
    internal static SheetReport Report(
        int stageIndex,
        Stage stage,
        SheetState state,
        ClockLimit limit,
        bool started,
        long running,
        IReadOnlyList<FreezeReport> freezes
    )
    {
        var units = state.Units.Select(unit => UnitAt(stage, state, limit, started, unit, running)).ToArray();
        var done = state.Done || (started && units.Any(unit => !unit.Off) && units.All(unit => unit.Done || unit.Off));
        var ranking = RankRule.Rank(stage.Measures, units);
        return new SheetReport(
            stageIndex,
            started,
            done,
            state.Winner >= 0 ? state.Units[state.Winner].Unit.Id
                : done ? RankRule.FirstAlone(ranking)
                : null,
            done || state.Turn < 0 ? null : state.Units[state.Turn].Unit.Id,
            state.Ball < 0 ? null : state.Units[state.Ball].Unit.Id,
            RunningOf(stage, state, limit, done, running),
            state.Late,
            units,
            ranking,
            freezes
        );
    }

    /// <summary>Once the sheet is done its clock stands at the moment it was done: the limit, where the clock ended it.</summary>
    private static long RunningOf(Stage stage, SheetState state, ClockLimit limit, bool done, long running) =>
        (state.Done, done, limit.Cut, stage.Play) switch
        {
            (true, _, _, _) => state.DoneAt,
            (_, true, { } cut, Play.Turns) => Math.Min(running, state.TurnBegan + cut),
            (_, true, { } cut, _) => Math.Min(running, cut),
            _ => running,
        };

    private static UnitReport UnitAt(Stage stage, SheetState state, ClockLimit limit, bool started, UnitTally unit, long running)
    {
        if (unit.Done)
        {
            return UnitReporter.Report(stage, unit, unit.DoneAfter, done: true);
        }

        var time = state.OwnTime(unit, running);
        if (limit.Cut is not { } cut || !started || (stage.Play == Play.Turns && unit.Index != state.Turn))
        {
            return UnitReporter.Report(stage, unit, time, done: false);
        }

        if (!unit.IsOn)
        {
            return UnitReporter.Report(stage, unit, time, done: stage.Play != Play.Turns && running >= cut);
        }

        var beyond = (stage.Play == Play.Turns ? running - state.TurnBegan : running) - cut;
        return UnitReporter.Report(stage, unit, time - Math.Max(0, beyond), done: beyond >= 0);
    }
}
