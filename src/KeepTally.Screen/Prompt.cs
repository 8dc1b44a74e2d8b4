using KeepTally.Core.Clock;
using KeepTally.Core.Live;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Screen;

/// <summary>The one sentence that says what to do now.</summary>
internal static class Prompt
{
    /// <param name="run">The run.</param>
    /// <param name="at">The present moment.</param>
    /// <param name="last">Whether this is the last drill of the practice.</param>
    /// <param name="before">What came of the drill before, until this one begins; empty where there is none.</param>
    /// <param name="tellsResults">Whether scores and results are told.</param>
    internal static string Of(LiveRun run, Instant at, bool last, string before, bool tellsResults) =>
        string.Join(
            ' ',
            new[]
            {
                run.IsStarted ? "" : before,
                run.IsStarted ? "" : TooFewWords.Of(run),
                Words(run, at, last, tellsResults),
                Cue(run, at),
            }.Where(words => words.Length > 0)
        );

    /// <summary>The result of a drill that ended: "Minute trios: Ada first with 11 points."; empty where it has no result.</summary>
    internal static string Outcome(LiveRun run, Instant at) =>
        run.IsStarted && Result(run, at) is { Length: > 0 } result ? $"{run.Name}: {result}" : "";

    private static string Result(LiveRun run, Instant at) => run.VerdictAt(at) is { } verdict ? VerdictWords.Of(verdict) : "";

    private static string WithResult(LiveRun run, Instant at, bool tellsResults, string words) =>
        tellsResults && Result(run, at) is { Length: > 0 } result ? $"{result} {words}" : words;

    /// <summary>The pinned cue while there is time to say it: before the start, in the count-in, at the change-over.</summary>
    private static string Cue(LiveRun run, Instant at)
    {
        var rests = run.ClockAt(at)?.Interval.Kind is IntervalKind.CountIn or IntervalKind.Change or IntervalKind.Break;
        return (!run.IsStarted || rests || run.IsPaused) && run.Sheets[0].Sheet.CueFor(null) is { } cue ? $"Say: “{cue}”" : "";
    }

    private static string Words(LiveRun run, Instant at, bool last, bool tellsResults)
    {
        if (!run.IsStarted)
        {
            return run.IsPause
                ? $"{run.Name}. Start its clock, or end it and go on."
                : "Everyone in place? Start when you are ready.";
        }

        if (run.IsDone(at) && run.IsPause)
        {
            return last ? "That was the last of it." : $"{run.Name} is over. Next drill when you are ready.";
        }

        if (run.IsDone(at))
        {
            return WithResult(
                run,
                at,
                tellsResults,
                last
                    ? "That was the last drill."
                    : $"{(!tellsResults || run.VerdictAt(at) is null ? "Drill done. " : "")}Next drill when you are ready."
            );
        }

        return run.ClockAt(at)?.Interval.Kind switch
        {
            IntervalKind.Change when run.Circuit is not null => "Last ball counts, then everyone to the next station.",
            IntervalKind.Change => InChange(run, at),
            IntervalKind.Break when HalfWords.At(run, at, tellsResults) is { Length: > 0 } half => $"{half} Water.{Then(run, at)}",
            IntervalKind.Break => $"Rest. Water.{Then(run, at)}",
            IntervalKind.Over when run.IsPause => $"{run.Name} is over. {(last ? "Finish" : "Go on")} when you are ready.",
            IntervalKind.Over =>
                $"Time. {WithResult(run, at, tellsResults, $"{(Counts(run, at) ? "Count the last ball, then" : "Now")} {(last ? "finish" : "go on")}.")}",
            _ => PastIts(run, at),
        };
    }

    /// <summary>The time the timing sheet gives is over, whatever the clock of the card says.</summary>
    private static string PastIts(LiveRun run, Instant at)
    {
        if (run.OverBy(at) is not { } over)
        {
            return "";
        }

        var minutes = (int)(over.WholeSeconds / 60);
        var given = Phrase.Span(run.Planned!.Value);
        return minutes == 0 ? $"Past its {given}." : $"{Phrase.Capital(Phrase.Of(minutes, "minute"))} past its {given}.";
    }

    private static string InChange(LiveRun run, Instant at)
    {
        var moves = run.OpenAt(at).Any(each => each.Sheet.AfterRest(at).Moves);
        return (run.OpenAt(at).Any(each => TakesLastBall(each.Sheet, at)) ? "Last ball counts." : "Time.")
            + (moves ? " Everyone moves on." : " Change over.")
            + Then(run, at);
    }

    /// <summary>Whether anything is counted at all: where nothing is tapped there is no last ball to count.</summary>
    private static bool Counts(LiveRun run, Instant at) => run.OpenAt(at).Any(each => each.Sheet.Stage.Outcomes.Count > 0);

    /// <summary>The unit that had the round is not done yet; a limit that cuts at the horn leaves no last ball.</summary>
    private static bool TakesLastBall(Sheet sheet, Instant at) =>
        sheet.Stage.Outcomes.Count > 0
        && (sheet.Score.Turn is { } turn ? !sheet.Score.SnapshotOf(turn, at).Done : !sheet.Score.IsDoneAt(at));

    /// <summary>The unit whose turn comes when the rest is over.</summary>
    private static string Then(LiveRun run, Instant at)
    {
        var next = run.OpenAt(at)
            .Select(each => each.Sheet)
            .Where(sheet => sheet.AfterRest(at).Turns)
            .Select(sheet => sheet.Score.NextTurn is { } player ? sheet.CallNameOf(player) : null)
            .OfType<string>()
            .ToArray();
        return next.Length == 0 ? "" : $" Then {Phrase.List(next)}.";
    }
}
