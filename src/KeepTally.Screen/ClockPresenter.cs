using KeepTally.Core.Clock;
using KeepTally.Core.Live;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>Puts the clock of a drill into what the coach reads.</summary>
public static class ClockPresenter
{
    private static readonly Duration UrgentBelow = Duration.FromSeconds(5);

    /// <param name="run">The run.</param>
    /// <param name="at">The present moment.</param>
    /// <param name="calls">Where the coach has the time left called at moments of their own; null for the card's.</param>
    public static ClockView Of(LiveRun run, Instant at, IReadOnlyList<Duration>? calls = null)
    {
        var lead = run.Lead(at);
        var (state, word) = StateOf(run, lead, at);
        if (lead.Timeline is not { } timeline)
        {
            return new ClockView(state, word, Up(lead.Score.RunningTimeAt(at).SinceStart), 1, "", "", [], false, "", false, false);
        }

        if (!lead.Score.Clock.IsStarted)
        {
            return Ready(timeline, state, word);
        }

        var elapsed = lead.Score.ClockTimeAt(at);
        var interval = timeline.At(elapsed);
        if (interval.Kind == IntervalKind.Over)
        {
            return new ClockView(
                state,
                word,
                "0:00",
                0,
                RoundOf(timeline, interval),
                "",
                [],
                false,
                "",
                false,
                run.Can(RunCommand.Add, at)
            );
        }

        // What is won or done stands: no call and no horn comes any more.
        var done = run.IsDone(at);
        var left = interval.End - elapsed;
        return new ClockView(
            state,
            word,
            Down(left),
            left / interval.Length,
            RoundOf(timeline, interval),
            done ? "" : NextOf(timeline, interval),
            done ? [] : [.. timeline.CallsIn(interval, calls).Select(call => call / interval.Length)],
            !done && interval.Kind == IntervalKind.Work && left <= UrgentBelow,
            lead.RepLeft(at) is { } rep ? $"{rep.SecondsBegun}" : "",
            interval.Kind == IntervalKind.Work && timeline.Plan.Rep is not null && !run.IsPaused && !done,
            interval.Kind is IntervalKind.Change or IntervalKind.Break && run.Can(RunCommand.Add, at)
        );
    }

    /// <summary>Before the start: the first round of work in full, and how it will be counted in.</summary>
    private static ClockView Ready(Timeline timeline, string state, string word)
    {
        var work = timeline.Intervals.First(interval => interval.Kind == IntervalKind.Work);
        var countIn = timeline.Plan.CountIn > Duration.Zero ? $"counted in, {Down(timeline.Plan.CountIn)}" : "";
        return new ClockView(state, word, Down(work.Length), 1, RoundOf(timeline, work), countIn, [], false, "", false, false);
    }

    /// <summary>Time left, rounded up: it reads 0:01 until it is over.</summary>
    internal static string Down(Duration left) => Minutes(left.SecondsBegun);

    internal static string Up(Duration passed) => Minutes(passed.WholeSeconds);

    private static (string State, string Word) StateOf(LiveRun run, Sheet lead, Instant at)
    {
        if (!run.IsStarted)
        {
            return ("ready", "Ready");
        }

        if (run.IsDone(at))
        {
            return ("over", "Done");
        }

        if (run.IsPaused)
        {
            return (
                "paused",
                lead.Score.FrozenFor switch
                {
                    null => "Paused",
                    "" => "Teaching stop",
                    var reason => $"Teaching stop: {reason}",
                }
            );
        }

        return run.ClockAt(at)?.Interval.Kind switch
        {
            IntervalKind.CountIn => ("countIn", "Get ready"),
            IntervalKind.Work when run.IsPause => ("break", run.Name),
            IntervalKind.Work => ("work", "Work"),
            IntervalKind.Change => ("change", "Change over"),
            IntervalKind.Break => ("break", "Rest"),
            IntervalKind.Over => ("over", "Time"),
            null => ("work", "Running"),
        };
    }

    private static string RoundOf(Timeline timeline, Interval interval) =>
        timeline.Plan.Rounds > 1 ? $"Round {interval.Round} of {timeline.Plan.Rounds}" : "";

    private static string NextOf(Timeline timeline, Interval interval)
    {
        var next = timeline.After(interval);
        return next.Kind switch
        {
            IntervalKind.CountIn => "",
            IntervalKind.Work => $"then work, {Down(next.Length)}",
            IntervalKind.Change => $"then change over, {Down(next.Length)}",
            IntervalKind.Break => $"then rest, {Down(next.Length)}",
            IntervalKind.Over => "then the horn",
        };
    }

    private static string Minutes(long seconds) => Phrase.Clock(Duration.FromSeconds(seconds));
}
