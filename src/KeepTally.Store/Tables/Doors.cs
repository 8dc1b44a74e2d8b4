namespace KeepTally.Store.Tables;

/// <summary>How people without an account come to one practice: a short code to join, and a link to the board.</summary>
public sealed class PracticeDoor
{
    public int PracticeId { get; init; }

    /// <summary>The code that a helper types in; empty while nobody can join.</summary>
    public string JoinCode { get; set; } = "";

    /// <summary>Until when the code and all who joined with it can come in: milliseconds since 1970 in UTC.</summary>
    public long Until { get; set; }

    /// <summary>The secret in the link to the board; empty while there is none.</summary>
    public string BoardToken { get; set; } = "";

    /// <summary>Whether the board leaves out scores and who leads.</summary>
    public bool HidesScores { get; set; }
}

/// <summary>Someone who joined one practice by its code. Gone with it.</summary>
public sealed class Joiner
{
    public int Id { get; init; }

    public int PracticeId { get; init; }

    public required string Name { get; init; }

    /// <summary>Milliseconds since 1970 in UTC.</summary>
    public long At { get; init; }

    /// <summary>The sheet or the station they count for, and no other; empty for all.</summary>
    public string Sheet { get; set; } = "";
}

/// <summary>A key with which a device or another program sends and reads events of a team. Only its hash is kept.</summary>
public sealed class DeviceKey
{
    public int Id { get; init; }

    public int TeamId { get; init; }

    public required string Name { get; init; }

    /// <summary>The SHA-256 of the key, in hex.</summary>
    public required string Hash { get; init; }

    /// <summary>Milliseconds since 1970 in UTC.</summary>
    public long At { get; init; }
}
