namespace KeepTally.Store.Tables;

/// <summary>A team: whose squad and whose practices.</summary>
public sealed class Team
{
    public int Id { get; init; }

    public required string Name { get; set; }

    /// <summary>What its coaches stop a drill for, one a line; empty for the usual reasons.</summary>
    public string StopReasons { get; set; } = "";

    /// <summary>What its coaches look for all practice long, one a line; null for the usual, empty for nothing.</summary>
    public string? Habits { get; set; }
}
