using KeepTally.Core.Cards;

namespace KeepTally.Core.Sheets;

/// <summary>What became of an event on a sheet.</summary>
/// <param name="Unit">For a tap that was counted, late or void: the index of its unit, or -1.</param>
/// <param name="Attempt">For a counted tap: true a success, false a failure, null neither.</param>
/// <param name="TurnPassed">Whether the turn went to another unit.</param>
/// <param name="Breached">The limit that the tap breached, or null.</param>
public readonly record struct Verdict(
    VerdictKind Kind,
    int Unit,
    bool? Attempt,
    Refusal? Refusal,
    Limit? Breached = null,
    bool TurnPassed = false
)
{
    internal static Verdict Taken => new(VerdictKind.Taken, -1, null, null);

    internal static Verdict Refused(Refusal why) => new(VerdictKind.Refused, -1, null, why);

    internal static Verdict Late(int unit) => new(VerdictKind.Late, unit, null, null);

    internal static Verdict Void(int unit, Limit breached) => new(VerdictKind.Void, unit, null, null, breached);

    internal static Verdict Counted(int unit, bool? attempt, Limit? breached, bool turnPassed) =>
        new(VerdictKind.Counted, unit, attempt, null, breached, turnPassed);

    internal static Verdict Turned(bool passed) => new(VerdictKind.Taken, -1, null, null, null, passed);
}

public enum VerdictKind
{
    /// <summary>Not a tap; it did what it does.</summary>
    Taken,
    Counted,

    /// <summary>Kept, and counted as late; nothing else.</summary>
    Late,

    /// <summary>Kept, and counted as void; nothing else.</summary>
    Void,

    /// <summary>It cannot stand on this sheet.</summary>
    Refused,
}

/// <summary>Why an event cannot stand on a sheet: the property at fault, what is wrong, and how to mend it.</summary>
public sealed record Refusal(string Property, string Problem, string Mend)
{
    public override string ToString() => $"{Property}: {Problem}; {Mend}";
}
