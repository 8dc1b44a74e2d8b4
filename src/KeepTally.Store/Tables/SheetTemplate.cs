namespace KeepTally.Store.Tables;

/// <summary>A timing sheet that is kept to be used again: for no day, and of no team.</summary>
public sealed class SheetTemplate
{
    public int Id { get; init; }

    public required string Name { get; set; }

    /// <summary>The sheet as <c>keep-tally/plan@1</c>.</summary>
    public required string Json { get; set; }
}
