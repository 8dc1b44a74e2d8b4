using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>Puts one event of a sheet into the line by which a coach lists it.</summary>
internal static class EventLines
{
    /// <summary>Whether a coach would list it: what is said to the clock by the big button is not.</summary>
    internal static bool Lists(RunEvent said) =>
        said switch
        {
            RunEvent.Start
            or RunEvent.Pause
            or RunEvent.Resume
            or RunEvent.End
            or RunEvent.Freeze
            or RunEvent.Whistle
            or RunEvent.Undo
            or RunEvent.Amend => false,
            RunEvent.Tap
            or RunEvent.Substitution
            or RunEvent.Rotate
            or RunEvent.Turn
            or RunEvent.Add
            or RunEvent.Skip
            or RunEvent.Rounds
            or RunEvent.Again
            or RunEvent.Habit
            or RunEvent.OwnCount
            or RunEvent.Cue
            or RunEvent.Note => true,
            _ => throw new InvalidOperationException("This kind of event is neither listed nor left out."),
        };

    internal static TapView? Of(SheetId id, Sheet live, RunEvent runEvent, bool undone, string note) =>
        runEvent switch
        {
            RunEvent.Tap tap => View(id, live, tap, undone, note),
            RunEvent.Substitution substitution => View(id, live, substitution, undone),
            RunEvent.Rotate rotate => View(id, live, rotate, undone),
            RunEvent.Turn turn => View(id, live, turn, undone, note),
            RunEvent.Add add => View(id, add, undone),
            RunEvent.Skip skip => View(
                id,
                skip,
                skip.Kind == IntervalKind.Work ? "Work stopped by the coach" : "Work started by the coach",
                undone
            ),
            RunEvent.Rounds rounds => View(id, rounds, $"{rounds.Count} rounds now", undone),
            RunEvent.Again again => View(id, live, again, undone),
            RunEvent.Habit habit => View(id, live, habit, undone),
            RunEvent.OwnCount count => Said(id, count, $"{live.CallNameOf(count.Unit)} · own count {count.Count}", undone),
            RunEvent.Cue cue => Said(id, cue, CueLine(live, cue), undone),
            RunEvent.Note written => View(
                id,
                written,
                written.Unit is { } of ? $"{live.CallNameOf(of)}: {written.Text}"
                    : written.OfPractice ? $"Practice: {written.Text}"
                    : $"Note: {written.Text}",
                undone
            ),
            RunEvent.Start
            or RunEvent.Pause
            or RunEvent.Resume
            or RunEvent.End
            or RunEvent.Freeze
            or RunEvent.Whistle
            or RunEvent.Undo
            or RunEvent.Amend => null,
            _ => throw new InvalidOperationException("This kind of event has no line in the list of taps."),
        };

    /// <summary>The result of a tap; for a turn, the unit that has it since.</summary>
    internal static string NoteOf(Sheet live, RunEvent runEvent, EventResult result) =>
        (runEvent, result.Kind) switch
        {
            (RunEvent.Tap tap, EventResultKind.Late) => TapLine.Uncounted(live, tap, "late, not counted"),
            (RunEvent.Tap tap, EventResultKind.Void) => TapLine.Uncounted(live, tap, "void, not counted"),
            (RunEvent.Tap tap, _) => TapLine.PutRight(live, tap),
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
        return View(id, add, $"{seconds} seconds {(add.By < Duration.Zero ? "less" : "more")}", undone);
    }

    private static string CueLine(Sheet live, RunEvent.Cue cue)
    {
        var whose = cue.Unit is { } unit ? $" for {live.CallNameOf(unit)}" : "";
        return cue.Text.Length == 0 ? $"Cue{whose} removed" : $"Cue{whose}: {cue.Text}";
    }

    private static TapView Said(SheetId id, RunEvent said, string text, bool undone) =>
        new(id.Value, said.Id.Device.Value, said.Id.N, text, undone, false, "");

    private static TapView View(SheetId id, RunEvent said, string text, bool undone) =>
        new(id.Value, said.Id.Device.Value, said.Id.N, text, undone, true, "");

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

    private static TapView View(SheetId id, Sheet live, RunEvent.Tap tap, bool undone, string note) =>
        new(id.Value, tap.Id.Device.Value, tap.Id.N, TapLine.Of(live, tap), undone, false, note) { CanChange = !undone };
}
