using KeepTally.Core.Clock;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>The signals of a drill while its clock runs on as it does now.</summary>
public static class SignalPresenter
{
    /// <summary>The signals after one moment and up to another, in order; none while the clock stands.</summary>
    /// <param name="run">The run.</param>
    /// <param name="from">The start of the span.</param>
    /// <param name="to">The end of the span.</param>
    /// <param name="calls">Where the coach has the time left called at moments of their own; null for the card's.</param>
    public static IReadOnlyList<SignalView> Of(LiveRun run, Instant from, Instant to, IReadOnlyList<Duration>? calls = null)
    {
        var lead = run.Lead(from);
        if (
            lead.Timeline is not { } timeline
            || lead.Score.Clock is not { IsStarted: true, IsPaused: false } clock
            || lead.Score.IsDoneAt(from)
        )
        {
            return [];
        }

        var started = clock.InstantOf(ClockTime.Zero);
        var since = from < started ? ClockTime.Zero - Duration.Millisecond : clock.At(from);
        var signals = timeline
            .Signals(since, clock.At(to), calls)
            .Select(signal => new SignalView(
                KindOf(signal.Kind),
                (clock.InstantOf(signal.At) - from).Milliseconds,
                signal.Kind == SignalKind.Call ? CallWords.Of(signal.Left) : ""
            ));
        return lead.RepLeft(from) is { } rep && rep > Duration.Zero && from + rep <= to
            ? [.. signals, new SignalView("rep", rep.Milliseconds, "")]
            : [.. signals];
    }

    private static string KindOf(SignalKind kind) =>
        kind switch
        {
            SignalKind.Go => "go",
            SignalKind.Horn => "horn",
            SignalKind.Call => "call",
            SignalKind.Surprise => "surprise",
        };
}
