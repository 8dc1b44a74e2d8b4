namespace KeepTally.Store.Tables;

/// <summary>Two players who are kept in one group, or out of it. Why is nobody's business here.</summary>
public sealed class KeptPair
{
    public int Id { get; init; }

    public int TeamId { get; init; }

    public int OneId { get; init; }

    public int OtherId { get; init; }

    /// <summary>Kept together; else apart.</summary>
    public bool Together { get; set; }
}
