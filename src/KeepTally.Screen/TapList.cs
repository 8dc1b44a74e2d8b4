using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>
/// The last taps and moves of a drill over all its sheets, the latest first, each with what it takes to undo it. A line is
/// put into words once, and again only when it is undone or put back.
/// </summary>
internal sealed class TapList(LivePractice practice)
{
    private const int Shown = 20;
    private readonly Dictionary<SheetId, (int Version, Line[] Lines)> _bySheet = [];
    private LiveRun? _run;
    private IReadOnlyList<TapView> _shown = [];

    /// <summary>A line, and what it is the words of: an event as it reads now.</summary>
    private readonly record struct Line(RunEvent Said, TapView View)
    {
        internal bool IsLaterThan(Line other) => Said.At > other.Said.At || (Said.At == other.Said.At && View.N > other.View.N);

        /// <summary>One word to the clock of several sheets is one line.</summary>
        internal bool IsOneWith(Line other) =>
            Said.At == other.Said.At && View.Text == other.View.Text && View.Sheet != other.View.Sheet;

        internal bool Reads(RunEvent said, bool undone, string note) =>
            View.Undone == undone && View.Note == note && (ReferenceEquals(Said, said) || Said == said);
    }

    internal IReadOnlyList<TapView> Of(LiveRun run)
    {
        var same = ReferenceEquals(run, _run);
        if (!same)
        {
            _bySheet.Clear();
            _run = run;
        }

        foreach (var each in run.Sheets)
        {
            var live = each.Sheet;
            if (!_bySheet.TryGetValue(each.Id, out var known) || known.Version != live.Version)
            {
                same = false;
                _bySheet[each.Id] = (live.Version, Recent(run, each.Id, live, known.Lines ?? []));
            }
        }

        return same ? _shown : _shown = Latest(run);
    }

    /// <summary>The latest of all sheets, taken from the heads of their lists.</summary>
    private List<TapView> Latest(LiveRun run)
    {
        var shown = new List<TapView>(Shown);
        var taken = new int[run.Sheets.Count];
        var said = new List<Line>(Shown);
        while (shown.Count < Shown)
        {
            Line? latest = null;
            var from = -1;
            for (var i = 0; i < taken.Length; i++)
            {
                var lines = _bySheet[run.Sheets[i].Id].Lines;
                if (taken[i] < lines.Length && (latest is not { } best || lines[taken[i]].IsLaterThan(best)))
                {
                    (latest, from) = (lines[taken[i]], i);
                }
            }

            if (latest is not { } next)
            {
                break;
            }

            taken[from]++;
            if (IsSaidAlready(said, next))
            {
                continue;
            }

            said.Add(next);
            shown.Add(next.View);
        }

        return shown;
    }

    /// <summary>Whether one of the lines of the same moment, which stand last, says the same.</summary>
    private static bool IsSaidAlready(List<Line> said, Line next)
    {
        for (var i = said.Count - 1; i >= 0 && said[i].Said.At == next.Said.At; i--)
        {
            if (next.IsOneWith(said[i]))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>
    /// What the undo button takes back: the last of this device, and only where it has none the last of another, or of an earlier
    /// drill, which it asks about.
    /// </summary>
    internal static TapView? ToUndo(IReadOnlyList<TapView> taps)
    {
        var standing = taps.Where(tap => tap is { Undone: false, Move: false }).ToArray();
        return Array.Find(standing, tap => tap.Ask.Length == 0) ?? standing.FirstOrDefault();
    }

    private static string AskOf(UndoDoubt doubt) =>
        doubt switch
        {
            UndoDoubt.None => "",
            UndoDoubt.OtherDevice => "Other device",
            UndoDoubt.OtherDrill => "Earlier drill",
            _ => throw new InvalidOperationException($"No words for {doubt}."),
        };

    /// <summary>One event of a log in words; empty for what no coach would list.</summary>
    internal static string Words(SheetId id, Sheet live, RunEvent runEvent) =>
        EventLines.Of(id, live, runEvent, false, "")?.Text ?? "";

    private Line[] Recent(LiveRun run, SheetId id, Sheet live, Line[] known)
    {
        var lines = new List<Line>(Shown);
        var next = 0;
        for (var i = live.Log.Count - 1; i >= 0 && lines.Count < Shown; i--)
        {
            var said = live.Log.ReadAt(i);
            if (!EventLines.Lists(said) || live.ResultAt(i).Kind == EventResultKind.Superseded)
            {
                continue;
            }

            var undone = !live.Log.StandsAt(i);
            var note = undone ? "" : EventLines.NoteOf(live, said, live.ResultAt(i));
            // Both lists have the same order: the line is most often the next one.
            while (next < known.Length && known[next].Said.At > said.At)
            {
                next++;
            }

            lines.Add(
                next < known.Length && known[next].Reads(said, undone, note)
                    ? known[next]
                    : new Line(said, EventLines.Of(id, live, said, undone, note)! with { Ask = AskOf(practice.DoubtOf(run, said)) })
            );
        }

        return [.. lines];
    }
}
