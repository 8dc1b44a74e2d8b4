using KeepTally.Core.Identity;

namespace KeepTally.Core.Live;

/// <summary>What a thumb touched: whom, what, where it went, what else it says, and the number it carries, with the laps it is made of.</summary>
public sealed record TapCommand(
    PlayerId? Unit,
    string? Outcome,
    string? Zone = null,
    IReadOnlyDictionary<string, string>? Tags = null,
    double? Value = null,
    IReadOnlyList<double>? Laps = null
);

/// <summary>What of a tap is put right; what is left out stays.</summary>
/// <param name="Counts">Whether it counts though it was late.</param>
public sealed record TapAmendment(
    PlayerId? Unit = null,
    string? Outcome = null,
    string? Zone = null,
    double? Value = null,
    bool? Counts = null,
    IReadOnlyDictionary<string, string>? Tags = null
);
