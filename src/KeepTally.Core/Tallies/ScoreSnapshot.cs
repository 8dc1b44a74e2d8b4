using KeepTally.Core.Identity;

namespace KeepTally.Core.Tallies;

/// <summary>How a sheet stands at a moment, as far as words about one tap ask for it: quick to take before and after.</summary>
/// <param name="Started">True once the drill was started.</param>
/// <param name="Done">True once the sheet is over.</param>
/// <param name="Winner">Who has won or is first alone, once the sheet is done; else null.</param>
/// <param name="Turn">The id of the unit whose turn it is; null for none.</param>
/// <param name="Ball">The unit that has the ball; null for none.</param>
/// <param name="Units">The units, in order.</param>
public sealed record ScoreSnapshot(
    bool Started,
    bool Done,
    PlayerId? Winner,
    PlayerId? Turn,
    PlayerId? Ball,
    IReadOnlyList<UnitSnapshot> Units
);

/// <summary>The shown part of a unit's tally: where two snapshots are equal, so is every word about the unit.</summary>
public readonly record struct UnitSnapshot
{
    /// <summary>Its points; they may be below nought.</summary>
    public required double Points { get; init; }

    /// <summary>Its attempts.</summary>
    public required int Attempts { get; init; }

    /// <summary>Its successful attempts.</summary>
    public required int Successes { get; init; }

    /// <summary>Its counted taps, neutral ones too.</summary>
    public required int Taps { get; init; }

    /// <summary>Its run of successes.</summary>
    public required int Streak { get; init; }

    /// <summary>The longest run of successes.</summary>
    public required int BestStreak { get; init; }

    /// <summary>Its outs.</summary>
    public required int Outs { get; init; }

    /// <summary>The rung of the ladder it is at, from 0.</summary>
    public required int Rung { get; init; }

    /// <summary>The lap of the ladder it is in, from 0.</summary>
    public required int Lap { get; init; }

    /// <summary>Rungs cleared in all.</summary>
    public required int Cleared { get; init; }

    /// <summary>Successes in the open window of a ladder, or in a row.</summary>
    public required int Made { get; init; }

    /// <summary>Attempts in the open window.</summary>
    public required int Taken { get; init; }

    /// <summary>The open window, one bit an attempt, the first lowest.</summary>
    public required ulong Hits { get; init; }

    /// <summary>How many zones were asked and answered.</summary>
    public required int Answered { get; init; }

    /// <summary>The sum of all numbers that taps carried.</summary>
    public required double Readings { get; init; }

    /// <summary>The place taken by leaving, or null.</summary>
    public required int? Place { get; init; }

    /// <summary>The zone asked next, or null.</summary>
    public required string? Asked { get; init; }

    /// <summary>Whether it has done all there is to do.</summary>
    public required bool Done { get; init; }
}
