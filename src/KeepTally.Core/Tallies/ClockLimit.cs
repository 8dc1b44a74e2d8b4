using KeepTally.Core.Rules.Endings;

namespace KeepTally.Core.Tallies;

/// <summary>The time limits of a stage, in milliseconds, or null where there is none.</summary>
/// <param name="Cut">After this a tap is late.</param>
/// <param name="Finish">After this the play under way still counts, until the end or the turn is called.</param>
internal readonly record struct ClockLimit(long? Cut, long? Finish)
{
    internal static ClockLimit Of(IReadOnlyList<Ending> until) =>
        new(Shortest(until, AtTheHorn.Cut), Shortest(until, AtTheHorn.Finish));

    /// <summary>A tap on the last millisecond still counts; one after it is late.</summary>
    internal bool IsPast(long running) => Cut is { } cut && running > cut;

    /// <summary>Whether the time is up, for whoever looks at the clock or calls the next turn.</summary>
    internal bool IsUp(long running) => (Cut is { } cut && running >= cut) || (Finish is { } finish && running >= finish);

    private static long? Shortest(IReadOnlyList<Ending> until, AtTheHorn after)
    {
        var times = until.OfType<Ending.Time>().Where(time => time.After == after).ToArray();
        return times.Length == 0 ? null : times.Min(time => time.Milliseconds);
    }
}
