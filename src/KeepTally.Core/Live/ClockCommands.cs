using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// What a coach says to the clock of a drill besides starting and stopping it, and when it can be said. A circuit's stations
/// open, stop and close with its clock, for good: its work can be given more time or less while it goes on, and nothing else.
/// </summary>
internal static class ClockCommands
{
    /// <summary>Whether a command does something on a sheet at a moment.</summary>
    internal static bool Can(RunCommand word, LiveRun run, RunSheet each, Instant at)
    {
        if (!CanBeMoved(run, each))
        {
            return false;
        }

        var interval = IntervalAt(each.Sheet, at);
        return run.Circuit is null
            ? CanIn(interval.Kind, word)
            : interval.Kind == IntervalKind.Work
                && word switch
                {
                    RunCommand.Add or RunCommand.Repeat => true,
                    RunCommand.Take => interval.End - each.Sheet.Score.Clock.At(at) > LivePractice.More,
                    _ => false,
                };
    }

    private static bool CanIn(IntervalKind interval, RunCommand word) =>
        interval switch
        {
            IntervalKind.CountIn => false,
            IntervalKind.Work => true,
            IntervalKind.Change or IntervalKind.Break => word != RunCommand.Take,
            IntervalKind.Over => word is RunCommand.Add or RunCommand.Repeat or RunCommand.Another,
        };

    /// <summary>The event by which a command is said on a sheet on which it can be.</summary>
    internal static RunEvent Make(RunCommand word, Sheet sheet, EventId id, Instant at)
    {
        var interval = IntervalAt(sheet, at);
        return word switch
        {
            RunCommand.Add => new RunEvent.Add(id, at, LivePractice.More),
            RunCommand.Take => new RunEvent.Add(id, at, Duration.Zero - LivePractice.More),
            RunCommand.Skip => new RunEvent.Skip(id, at, interval.Kind, interval.Round),
            RunCommand.Repeat when interval.Kind == IntervalKind.Work => new RunEvent.Add(
                id,
                at,
                sheet.Score.Clock.At(at) - interval.Start
            ),
            RunCommand.Repeat => new RunEvent.Add(id, at, sheet.Timeline!.Plan.Work),
            RunCommand.Another => new RunEvent.Rounds(id, at, sheet.Timeline!.Plan.Rounds + 1),
            RunCommand.Start
            or RunCommand.Pause
            or RunCommand.Resume
            or RunCommand.Freeze
            or RunCommand.Rotate
            or RunCommand.Turn
            or RunCommand.Whistle
            or RunCommand.End
            or RunCommand.EndPractice
            or RunCommand.Back => throw new ArgumentOutOfRangeException(nameof(word), word, "This is no command to the clock."),
        };
    }

    private static bool CanBeMoved(LiveRun run, RunSheet each) =>
        each.Sheet is { Timeline: not null, Ended: null, Score: { IsClosed: false, Clock.IsStarted: true } }
        && (run.Circuit is null || each == run.Circuit);

    private static Interval IntervalAt(Sheet sheet, Instant at) => sheet.Timeline!.At(sheet.Score.Clock.At(at));
}
