namespace KeepTally.Core.Tallies;

/// <summary>How a sheet stands at a moment, as far as words about one tap ask for it: quick to take before and after.</summary>
/// <param name="Winner">Who has won or is first alone, once the sheet is done; else null.</param>
public sealed record ScoreSnapshot(
    bool Started,
    bool Done,
    string? Winner,
    string? Turn,
    string? Ball,
    IReadOnlyList<UnitSnapshot> Units
);

/// <summary>What of a unit's tally is told or shown: where two of them are equal, so is every word about the unit.</summary>
/// <param name="Hits">The open window, one bit an attempt, the first lowest.</param>
/// <param name="Answered">How many zones were asked and answered.</param>
/// <param name="Readings">The sum of all numbers that taps carried.</param>
/// <param name="Made">Successes in the open window of a ladder, or in a row.</param>
/// <param name="Taken">Attempts in the open window.</param>
/// <param name="Place">The place taken by leaving, or null.</param>
/// <param name="Asked">The zone asked next, or null.</param>
public readonly record struct UnitSnapshot(
    double Points,
    int Attempts,
    int Successes,
    int Taps,
    int Streak,
    int BestStreak,
    int Outs,
    int Rung,
    int Lap,
    int Cleared,
    int Made,
    int Taken,
    ulong Hits,
    int Answered,
    double Readings,
    int? Place,
    string? Asked,
    bool Done
);
