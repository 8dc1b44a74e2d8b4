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
    public static RunEvent Of(RunEvent runEvent, Func<PlayerId, PlayerId> name) => runEvent.Format.Renamed(runEvent, name);
}
