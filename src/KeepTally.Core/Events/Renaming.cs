using KeepTally.Core.Identity;

namespace KeepTally.Core.Events;

/// <summary>
/// An event about a player under an id of one device alone, rewritten to the id on record: a guest who joined without
/// a network has no other name until there is one.
/// </summary>
public static class Renaming
{
    /// <summary>The same event of <paramref name="to"/>, where it is of <paramref name="from"/>; else as it is.</summary>
    public static RunEvent Of(RunEvent runEvent, PlayerId from, PlayerId to) => Of(runEvent, id => id == from ? to : id);

    /// <summary>The same event with everybody it names told by another name.</summary>
    /// <param name="runEvent">The event whose names are replaced.</param>
    /// <param name="name">The id on record of a player; the same where they have none.</param>
    public static RunEvent Of(RunEvent runEvent, Func<PlayerId, PlayerId> name)
    {
        return runEvent switch
        {
            RunEvent.Tap tap => tap with { Unit = Named(tap.Unit) },
            RunEvent.Amend amend => amend with { Unit = Named(amend.Unit) },
            RunEvent.Turn turn => turn with { Unit = Named(turn.Unit) },
            RunEvent.Rotate rotate => rotate with
            {
                Winner = Named(rotate.Winner),
                Loser = Named(rotate.Loser),
                Actor = Named(rotate.Actor),
            },
            RunEvent.Note note => note with { Unit = Named(note.Unit) },
            RunEvent.Habit habit => habit with { Player = Named(habit.Player) },
            RunEvent.OwnCount count => count with { Unit = name(count.Unit) },
            RunEvent.Cue cue => cue with { Unit = Named(cue.Unit) },
            RunEvent.Substitution sub => sub with { Out = Named(sub.Out), In = Named(sub.In) },
            RunEvent.Start
            or RunEvent.Pause
            or RunEvent.Resume
            or RunEvent.End
            or RunEvent.Undo
            or RunEvent.Freeze
            or RunEvent.Add
            or RunEvent.Skip
            or RunEvent.Rounds
            or RunEvent.Whistle
            or RunEvent.Again => runEvent,
            _ => throw new InvalidOperationException("An event that nobody renames."),
        };

        PlayerId? Named(PlayerId? id) => id is { } known ? name(known) : null;
    }
}
