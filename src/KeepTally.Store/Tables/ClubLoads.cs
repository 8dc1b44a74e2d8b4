namespace KeepTally.Store.Tables;

/// <summary>The limits of load the club goes by, where it has written down its own; at most one.</summary>
public sealed class ClubLoads
{
    public int Id { get; init; }

    /// <summary>As a coach writes them, a line each.</summary>
    public required string Text { get; set; }
}
