using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Screen;

/// <summary>A match in halves in words: how it stood at half-time.</summary>
internal static class HalfWords
{
    /// <summary>"Half-time, Plain 3, Striped 2."; empty where the break is not in the middle.</summary>
    /// <param name="run">The run.</param>
    /// <param name="at">The present moment.</param>
    /// <param name="tellsScores">Whether it is told how it stood.</param>
    internal static string At(LiveRun run, Instant at, bool tellsScores = true)
    {
        var scores = run.OpenAt(at).Select(each => Score(each.Sheet, at)).Where(score => score.Length > 0).ToArray();
        return run.Lead(at).Timeline is { } timeline && BreakWords.IsHalfTime(timeline.Plan)
            ? tellsScores && scores.Length == 1
                ? $"Half-time, {scores[0]}."
                : "Half-time."
            : "";
    }

    /// <summary>"Note at half-time" or "Note in the break", while it lasts; else empty.</summary>
    internal static string Note(LiveRun run, Instant at) =>
        run.ClockAt(at)?.Interval.Kind != IntervalKind.Break ? ""
        : At(run, at).Length > 0 ? "Note at half-time"
        : "Note in the break";

    /// <summary>"First half Plain 3, Striped 2."; empty before the break, and where there are no halves.</summary>
    internal static string First(Sheet sheet, Instant at) =>
        Score(sheet, at) is { Length: > 0 } score ? $"First half {score}." : "";

    private static string Score(Sheet sheet, Instant at) =>
        sheet.Stage is { Play: Play.Match, Clock.BreakAfter: not null }
        && sheet.ReportAt(at).Units is var units
        && units.All(unit => unit.FirstHalf is not null)
            ? string.Join(", ", units.Select(unit => $"{sheet.CallNameOf(unit.Id)} {RowWords.Figure(unit.FirstHalf!.Value)}"))
            : "";
}
