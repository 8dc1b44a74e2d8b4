using KeepTally.Core.Clock;
using KeepTally.Core.Sheets;

namespace KeepTally.Browser;

/// <summary>Puts a whole practice into what the run screen shows.</summary>
internal static class RunFace
{
    internal static PracticeView Of(LivePractice practice, long at)
    {
        var current = practice.Current;
        var over = current >= practice.Runs.Count;
        return new PracticeView(
            current,
            over,
            CanGoBack(practice, current),
            over ? null : Of(practice, practice.Runs[current], at)
        );
    }

    /// <summary>A drill ended by mistake can be gone back to until the next one has begun.</summary>
    private static bool CanGoBack(LivePractice practice, int current) =>
        current > 0 && (current >= practice.Runs.Count || !practice.Runs[current].IsStarted);

    private static RunView Of(LivePractice practice, LiveRun run, long at)
    {
        var clock = ClockFace.Of(run, at);
        var last = practice.Current == practice.Runs.Count - 1;
        var taps = TapList.Of(run);
        var primary = clock.State switch
        {
            "ready" => "start",
            "over" => "end",
            "paused" => "resume",
            _ => "pause",
        };
        return new RunView(
            primary,
            primary switch
            {
                "start" => "Start",
                "end" => last ? "Finish" : "Next drill",
                "resume" => "Go on",
                _ => "Pause",
            },
            PromptOf(run, at, last),
            clock,
            SheetsOf(run, at),
            run.Circuit is null ? [] : CircuitFace.Of(run, at),
            taps,
            taps.FirstOrDefault(tap => tap is { Undone: false, Move: false }),
            run.OpenAt(at).Any(each => each.Sheet.Stage.Moves.Count > 0 && !LiveRun.HasStood(each)),
            primary == "pause",
            [
                .. run.OpenAt(at)
                    .SelectMany(each =>
                        each.Sheet.Floor.Contestants.Select(player => new ContestView(
                            each.Id,
                            player,
                            each.Sheet.CallNameOf(player)
                        ))
                    ),
            ]
        );
    }

    private static SheetView?[] SheetsOf(LiveRun run, long at)
    {
        var open = run.OpenAt(at).ToHashSet();
        return [.. run.Sheets.Select(each => open.Contains(each) ? PadFace.Of(each, at) : null)];
    }

    private static string PromptOf(LiveRun run, long at, bool last)
    {
        if (!run.IsStarted)
        {
            return "Everyone in place? Start when you are ready.";
        }

        if (run.IsDone(at))
        {
            return last ? "That was the last drill." : "Drill done. Next drill when you are ready.";
        }

        return run.ClockAt(at)?.Interval.Kind switch
        {
            IntervalKind.Change when run.Circuit is not null => "Last ball counts, then everyone to the next station.",
            IntervalKind.Change when run.Sheets.Any(each => each.Sheet.Floor.Rotations > 0) =>
                "Last ball counts. Everyone moves on.",
            IntervalKind.Change => "Last ball counts. Change over.",
            IntervalKind.Break => "Rest. Water.",
            IntervalKind.Over => last ? "Time. Count the last ball, then finish." : "Time. Count the last ball, then go on.",
            _ => "",
        };
    }
}
