namespace KeepTally.Store.Tables;

/// <summary>A season of a team that was closed. Its practices are those up to its last day that no earlier season has.</summary>
public sealed class ClosedSeason
{
    public int Id { get; init; }

    public int TeamId { get; init; }

    public required string Name { get; set; }

    /// <summary>The last day that belongs to it.</summary>
    public DateOnly LastDay { get; init; }
}
