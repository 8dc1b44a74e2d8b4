using KeepTally.Core.Time;

namespace KeepTally.Core.Tallies;

/// <summary>The time limit of a stage or of a turn, or null where there is none.</summary>
/// <param name="Cut">After this a tap is late.</param>
/// <param name="Finish">After this the play under way still counts, until the end or the turn is called.</param>
internal readonly record struct ClockLimit(Duration? Cut, Duration? Finish)
{
    /// <summary>A tap on the last millisecond still counts; one after it is late.</summary>
    internal bool IsPast(Duration ran) => Cut is { } cut && ran > cut;

    /// <summary>Whether the time is up, for anyone who looks at the clock or calls the next turn.</summary>
    internal bool IsUp(Duration ran) => (Cut is { } cut && ran >= cut) || (Finish is { } finish && ran >= finish);
}
