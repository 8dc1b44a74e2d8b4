namespace KeepTally.Core.Live;

/// <summary>Why the undo button asks before it takes an event back.</summary>
public enum UndoDoubt
{
    /// <summary>This device's own event of this drill: nothing is asked.</summary>
    None,

    /// <summary>Another device's event.</summary>
    OtherDevice,

    /// <summary>An event of an earlier drill, which would change there, too.</summary>
    OtherDrill,
}
