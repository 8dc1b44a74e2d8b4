using KeepTally.Core.Clock;

namespace KeepTally.Core.Sheets;

/// <summary>A drill being done live: its sheets, which share one clock. Clock words are said on every sheet alike.</summary>
public sealed class LiveRun(string name, IReadOnlyList<(string Id, LiveSheet Sheet)> sheets)
{
    public string Name { get; } = name;

    public IReadOnlyList<(string Id, LiveSheet Sheet)> Sheets { get; } = sheets;

    /// <summary>The sheet whose clock is shown: the first that is not done.</summary>
    public LiveSheet Lead(long at) => Sheets.FirstOrDefault(each => !each.Sheet.ReportAt(at).Done, Sheets[0]).Sheet;

    public bool IsStarted => Sheets.Any(each => each.Sheet.Sheet.Clock.IsStarted);

    public bool IsPaused => Sheets.Any(each => each.Sheet.Sheet.Clock.IsPaused);

    /// <summary>Every sheet is done by its own rules or by the clock.</summary>
    public bool IsDone(long at) => Sheets.All(each => each.Sheet.ReportAt(at).Done);

    /// <summary>The coach has ended the drill: every sheet holds an end that stands.</summary>
    public bool IsEnded => Sheets.All(each => each.Sheet.Ended is not null);

    /// <summary>The interval of the clock at a moment, with what is left of it; null without a clock or before the start.</summary>
    public (Interval Interval, long Elapsed)? ClockAt(long at)
    {
        var lead = Lead(at);
        if (lead.Timeline is not { } timeline || !lead.Sheet.Clock.IsStarted)
        {
            return null;
        }

        var elapsed = lead.Sheet.Clock.At(at);
        return (timeline.At(elapsed), elapsed);
    }
}
