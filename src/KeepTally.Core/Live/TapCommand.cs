using KeepTally.Core.Identity;

namespace KeepTally.Core.Live;

/// <summary>A tap as pressed: unit, outcome, zone, tags, and the reading with its laps.</summary>
public sealed record TapCommand(
    PlayerId? Unit,
    string? Outcome,
    string? Zone = null,
    IReadOnlyDictionary<string, string>? Tags = null,
    double? Value = null,
    IReadOnlyList<double>? Laps = null
);

/// <summary>A correction of a tap; a property that is left out stays.</summary>
/// <param name="Unit">The unit it is corrected to; null for no change.</param>
/// <param name="Outcome">The outcome it is corrected to; null for no change.</param>
/// <param name="Zone">The zone it is corrected to; null for no change.</param>
/// <param name="Value">The value it is corrected to; null for no change.</param>
/// <param name="Counts">Whether it counts though it was late.</param>
/// <param name="Tags">The tags it is corrected to; null for no change.</param>
public sealed record TapAmendment(
    PlayerId? Unit = null,
    string? Outcome = null,
    string? Zone = null,
    double? Value = null,
    bool? Counts = null,
    IReadOnlyDictionary<string, string>? Tags = null
);
