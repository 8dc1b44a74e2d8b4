using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Screen;

/// <summary>
/// The last taps and moves of a drill over all its sheets, the latest first, each with what it takes to undo it. A line is
/// put into words once, and again only when it is undone or put back.
/// </summary>
internal sealed class TapList
{
    private const int Shown = 12;
    private readonly Dictionary<SheetId, (int Version, (Instant At, TapView View)[] Taps)> _bySheet = [];
    private LiveRun? _run;
    private IReadOnlyList<TapView> _shown = [];

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
                _bySheet[each.Id] = (live.Version, Recent(each.Id, live, known.Taps ?? []));
            }
        }

        return same ? _shown : _shown = Latest(run);
    }

    /// <summary>The latest of all sheets, taken from the heads of their lists.</summary>
    private List<TapView> Latest(LiveRun run)
    {
        var shown = new List<TapView>(Shown);
        var taken = new int[run.Sheets.Count];
        (Instant At, string Text, string Sheet)? said = null;
        while (shown.Count < Shown)
        {
            (Instant At, TapView View)? latest = null;
            var from = -1;
            for (var i = 0; i < taken.Length; i++)
            {
                var taps = _bySheet[run.Sheets[i].Id].Taps;
                if (taken[i] < taps.Length && (latest is not { } best || IsLater(taps[taken[i]], best)))
                {
                    (latest, from) = (taps[taken[i]], i);
                }
            }

            if (latest is not { } next)
            {
                break;
            }

            taken[from]++;
            // One word to the clock of several sheets is one line.
            if (said is { } before && before.At == next.At && before.Text == next.View.Text && before.Sheet != next.View.Sheet)
            {
                continue;
            }

            said = (next.At, next.View.Text, next.View.Sheet);
            shown.Add(next.View);
        }

        return shown;
    }

    private static bool IsLater((Instant At, TapView View) one, (Instant At, TapView View) other) =>
        one.At > other.At || (one.At == other.At && one.View.N > other.View.N);

    /// <summary>One event of a log in words; empty for what no coach would list.</summary>
    internal static string Words(SheetId id, Sheet live, RunEvent runEvent) => ViewOf(id, live, runEvent, false, "")?.Text ?? "";

    private static (Instant At, TapView View)[] Recent(SheetId id, Sheet live, (Instant At, TapView View)[] known)
    {
        var taps = new List<(Instant At, TapView View)>(Shown);
        var events = live.Log.Events;
        var next = 0;
        for (var i = live.Log.Count - 1; i >= 0 && taps.Count < Shown; i--)
        {
            var runEvent = events[i];
            if (
                runEvent
                    is not (
                        RunEvent.Tap
                        or RunEvent.Substitution
                        or RunEvent.Rotate
                        or RunEvent.Turn
                        or RunEvent.Add
                        or RunEvent.Again
                        or RunEvent.Habit
                    )
                || live.ResultAt(i).Kind == EventResultKind.Superseded
            )
            {
                continue;
            }

            var undone = !live.Log.StandsAt(i);
            var note = undone ? "" : NoteOf(live, runEvent, live.ResultAt(i));
            // Both lists have the same order: the line is most often the next one.
            while (next < known.Length && known[next].At > runEvent.At)
            {
                next++;
            }

            taps.Add(
                (
                    runEvent.At,
                    next < known.Length && Is(known[next].View, runEvent.Id, undone, note)
                        ? known[next].View
                        : ViewOf(id, live, runEvent, undone, note)!
                )
            );
        }

        return [.. taps];
    }

    private static bool Is(TapView view, EventId id, bool undone, string note) =>
        view.N == id.N && view.Undone == undone && view.Note == note && view.Device == id.Device.Value;

    private static TapView? ViewOf(SheetId id, Sheet live, RunEvent runEvent, bool undone, string note) =>
        runEvent switch
        {
            RunEvent.Tap tap => View(id, live, tap, undone, note),
            RunEvent.Substitution substitution => View(id, live, substitution, undone),
            RunEvent.Rotate rotate => View(id, live, rotate, undone),
            RunEvent.Turn turn => View(id, live, turn, undone, note),
            RunEvent.Add add => View(id, add, undone),
            RunEvent.Again again => View(id, live, again, undone),
            RunEvent.Habit habit => View(id, live, habit, undone),
            _ => null,
        };

    /// <summary>What became of a tap; for a turn who has it since.</summary>
    private static string NoteOf(Sheet live, RunEvent runEvent, EventResult result) =>
        (runEvent, result.Kind) switch
        {
            (RunEvent.Tap, EventResultKind.Late) => "late, not counted",
            (RunEvent.Tap, EventResultKind.Void) => "void, not counted",
            (RunEvent.Turn, _) when result.TurnPassed => $"now {live.CallNameOf(live.Units[result.Unit].Id)}",
            _ => "",
        };

    private static TapView View(SheetId id, Sheet live, RunEvent.Turn turn, bool undone, string note) =>
        new(
            id.Value,
            turn.Id.Device.Value,
            turn.Id.N,
            turn.Unit is { } unit ? $"Turn to {live.CallNameOf(unit)}"
                : turn.Id.Device == EventId.ClockDevice ? "Turn passed by the clock"
                : "Turn passed on",
            undone,
            true,
            note
        );

    private static TapView View(SheetId id, Sheet live, RunEvent.Rotate rotate, bool undone) =>
        new(
            id.Value,
            rotate.Id.Device.Value,
            rotate.Id.N,
            live.Head.Units[0].Players.Count == 0 ? $"{live.CallNameOf(live.Head.Units[0].Id)}'s group · moved on"
                : live.Head.Units.Count == 1 ? $"{live.Head.Units[0].Name} · moved on"
                : "Places moved on",
            undone,
            true,
            ""
        );

    private static TapView View(SheetId id, Sheet live, RunEvent.Substitution substitution, bool undone)
    {
        var (off, on) = (First(substitution.Out), First(substitution.In));
        var text = (off, on) switch
        {
            (not null, not null) => $"{on} in for {off}",
            (not null, null) => $"{off} off",
            _ => $"{on} in",
        };
        return new TapView(id.Value, substitution.Id.Device.Value, substitution.Id.N, text, undone, false, "");

        string? First(PlayerId? player) => player is { } named ? live.CallNameOf(named) : null;
    }

    private static TapView View(SheetId id, RunEvent.Add add, bool undone)
    {
        var seconds = Phrase.Figure(Math.Abs(add.By.TotalSeconds));
        return new TapView(
            id.Value,
            add.Id.Device.Value,
            add.Id.N,
            $"{seconds} seconds {(add.By < Duration.Zero ? "less" : "more")}",
            undone,
            true,
            ""
        );
    }

    private static TapView View(SheetId id, Sheet live, RunEvent.Again again, bool undone)
    {
        var text =
            (live.Stage.Play == Play.Match ? "Rematch" : "Same again")
            + (again.Ends ? ", ends changed" : "")
            + (again.Moves ? ", next ones on" : "");
        return new TapView(id.Value, again.Id.Device.Value, again.Id.N, text, undone, false, "");
    }

    private static TapView View(SheetId id, Sheet live, RunEvent.Habit habit, bool undone)
    {
        var text = habit.Player is { } player ? $"{live.CallNameOf(player)} · {habit.Name}" : habit.Name;
        return new TapView(id.Value, habit.Id.Device.Value, habit.Id.N, text, undone, false, "");
    }

    private static string Where(string? zone) => zone is null or Targets.None ? "elsewhere" : Phrase.Words(zone);

    private static TapView View(SheetId id, Sheet live, RunEvent.Tap tap, bool undone, string note)
    {
        var name = live.Units.Any(unit => unit.Id == tap.Unit) ? live.CallNameOf(tap.Unit!.Value) : null;
        var outcome = live.Stage.Outcomes.FirstOrDefault(each => each.Id == tap.Outcome)?.Label ?? Where(tap.Zone);
        var more = string.Join(
            ", ",
            (tap.Tags ?? new Dictionary<string, string>())
                .Select(tag => Phrase.Words(tag.Value))
                .Concat(tap.Value is { } value ? [Phrase.Figure(value)] : [])
        );
        return new TapView(
            id.Value,
            tap.Id.Device.Value,
            tap.Id.N,
            (name is null ? $"{outcome}" : $"{name} · {outcome}") + (more.Length > 0 ? $" ({more})" : ""),
            undone,
            false,
            note
        );
    }
}
