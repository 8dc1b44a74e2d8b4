namespace KeepTally.Core.Tallies;

/// <summary>The time limits of a stage, in milliseconds, or null where there is none.</summary>
/// <param name="Cut">After this a tap is late.</param>
/// <param name="Finish">After this the play under way still counts, until the end or the turn is called.</param>
internal readonly record struct ClockLimit(long? Cut, long? Finish)
{
    /// <summary>A tap on the last millisecond still counts; one after it is late.</summary>
    internal bool IsPast(long running) => Cut is { } cut && running > cut;

    /// <summary>Whether the time is up, for whoever looks at the clock or calls the next turn.</summary>
    internal bool IsUp(long running) => (Cut is { } cut && running >= cut) || (Finish is { } finish && running >= finish);
}
