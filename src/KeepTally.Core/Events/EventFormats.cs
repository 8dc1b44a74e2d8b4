namespace KeepTally.Core.Events;

/// <summary>Every kind of event. One that is not here is no event.</summary>
internal static class EventFormats
{
    /// <summary>In the order in which they are told to who writes one by hand.</summary>
    internal static readonly IReadOnlyList<EventFormat> All =
    [
        RunEvent.Start.Written,
        RunEvent.Pause.Written,
        RunEvent.Resume.Written,
        RunEvent.End.Written,
        RunEvent.Tap.Written,
        RunEvent.Amend.Written,
        RunEvent.Turn.Written,
        RunEvent.Rotate.Written,
        RunEvent.Undo.Written,
        RunEvent.Freeze.Written,
        RunEvent.Note.Written,
        RunEvent.Add.Written,
        RunEvent.Skip.Written,
        RunEvent.Rounds.Written,
        RunEvent.Whistle.Written,
        RunEvent.Again.Written,
        RunEvent.Habit.Written,
        RunEvent.OwnCount.Written,
        RunEvent.Cue.Written,
        RunEvent.Substitution.Written,
    ];

    private static readonly Dictionary<string, EventFormat> ByType = All.ToDictionary(
        format => format.Type,
        StringComparer.Ordinal
    );

    /// <summary>The kind with this name in the format, or null where there is none.</summary>
    internal static EventFormat? Of(string type) => ByType.GetValueOrDefault(type);
}
