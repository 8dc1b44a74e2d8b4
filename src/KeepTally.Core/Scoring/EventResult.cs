using KeepTally.Core.Faults;
using KeepTally.Core.Rules;

namespace KeepTally.Core.Scoring;

/// <summary>The result of an event on a sheet.</summary>
/// <param name="Kind">The kind of result.</param>
/// <param name="Unit">For a tap that was counted, late or void the index of its unit, for a turn that of whose it became; or -1.</param>
/// <param name="Attempt">For a counted tap: true a success, false a failure, null neither.</param>
/// <param name="Refusal">The reason of a refusal; null where it was not refused.</param>
/// <param name="TurnPassed">Whether the turn went to another unit.</param>
/// <param name="OfJob">A counted tap that is of the player who has a job, and no rep of its own.</param>
/// <param name="Breached">What the tap breached, or null.</param>
public readonly record struct EventResult(
    EventResultKind Kind,
    int Unit,
    bool? Attempt,
    Fault? Refusal,
    IBreach? Breached = null,
    bool TurnPassed = false,
    bool OfJob = false
)
{
    internal static EventResult Taken => new(EventResultKind.Taken, -1, null, null);

    internal static EventResult Refused(Fault why) => new(EventResultKind.Refused, -1, null, why);

    internal static EventResult Late(int unit) => new(EventResultKind.Late, unit, null, null);

    internal static EventResult Void(int unit, IBreach breached) => new(EventResultKind.Void, unit, null, null, breached);

    internal static EventResult Counted(int unit, bool? attempt, IBreach? breached, bool turnPassed, bool ofJob) =>
        new(EventResultKind.Counted, unit, attempt, null, breached, turnPassed, ofJob);

    internal static EventResult Turned(int unit, bool passed) => new(EventResultKind.Taken, unit, null, null, null, passed);

    internal static EventResult Superseded => new(EventResultKind.Superseded, -1, null, null);
}

/// <summary>The kind of result of an event.</summary>
public enum EventResultKind
{
    /// <summary>Not a tap; it did what it does.</summary>
    Taken,

    /// <summary>A tap that counted.</summary>
    Counted,

    /// <summary>Kept, and counted as late; nothing else.</summary>
    Late,

    /// <summary>Kept, and counted as void; nothing else.</summary>
    Void,

    /// <summary>Its effect had happened already, by hand or by another device.</summary>
    Superseded,

    /// <summary>It is refused on this sheet.</summary>
    Refused,
}
