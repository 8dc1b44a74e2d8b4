namespace KeepTally.Store.Tables;

/// <summary>One line of the record of who did what that others should be able to look up. Never the name of a player.</summary>
public sealed class AuditEntry
{
    public long Id { get; init; }

    /// <summary>Milliseconds since 1970 in UTC.</summary>
    public long At { get; init; }

    /// <summary>The name of the person, as it was then.</summary>
    public required string Who { get; init; }

    public AuditAct Act { get; init; }

    /// <summary>The object of the act, in plain words.</summary>
    public required string About { get; init; }
}

/// <summary>The kinds of entries in the activity log.</summary>
public enum AuditAct
{
    /// <summary>Signed in.</summary>
    SignIn,

    /// <summary>Tried to sign in with a wrong password.</summary>
    Refused,

    /// <summary>Signed out everywhere.</summary>
    SignOutEverywhere,

    /// <summary>Joined a practice by its code.</summary>
    Join,

    /// <summary>Changed what was on record: a player, or a tap taken back.</summary>
    Correction,

    /// <summary>Took data out as a file.</summary>
    Export,

    /// <summary>Erased a player.</summary>
    Erasure,

    /// <summary>Changed who may come in, and to what.</summary>
    Access,

    /// <summary>Removed a practice with its sheets.</summary>
    Removal,
}
