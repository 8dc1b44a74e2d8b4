using KeepTally.Core.Clock;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>Puts what can be said to the clock of a drill into what buttons say.</summary>
internal static class ClockMoves
{
    internal static ClockMovesView At(LiveRun run, Instant at)
    {
        var interval = run.ClockAt(at)?.Interval.Kind;
        return new ClockMovesView(
            run.Can(RunCommand.Add, at),
            run.Can(RunCommand.Take, at),
            !run.Can(RunCommand.Skip, at) ? ""
                : interval == IntervalKind.Work ? "Stop the work now"
                : "Begin the work now",
            !run.Can(RunCommand.Repeat, at) ? ""
                : interval == IntervalKind.Work ? "This round again from its start"
                : "The same round again",
            run.Can(RunCommand.Another, at)
        );
    }
}
