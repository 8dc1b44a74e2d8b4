using KeepTally.Core.Time;

namespace KeepTally.Core.Tallies;

/// <summary>The figures by which a unit can be ranked.</summary>
public readonly record struct Figures
{
    /// <summary>Its points; they may be below nought.</summary>
    public required double Points { get; init; }

    /// <summary>Its attempts.</summary>
    public required int Attempts { get; init; }

    /// <summary>Its successful attempts.</summary>
    public required int Successes { get; init; }

    /// <summary>The longest run of successes.</summary>
    public required int BestStreak { get; init; }

    /// <summary>Rungs cleared in all.</summary>
    public required int Cleared { get; init; }

    /// <summary>The running time that is the unit's own.</summary>
    public required Duration Running { get; init; }

    /// <summary>Whether the unit finished by its own goes, and not by the clock, the coach, or another's win.</summary>
    public required bool Finished { get; init; }

    /// <summary>Its outs.</summary>
    public required int Outs { get; init; }

    /// <summary>The place taken by leaving, from 1; null for who has not left.</summary>
    public required int? Place { get; init; }

    /// <summary>The best of the numbers its taps carried, or null.</summary>
    public required double? ReadingBest { get; init; }

    /// <summary>The mean of the numbers its taps carried, or null.</summary>
    public required double? ReadingMean { get; init; }

    /// <summary>Its taps that came too late.</summary>
    public required int Late { get; init; }

    /// <summary>Its taps that counted for nothing.</summary>
    public required int Voids { get; init; }

    /// <summary>How many it said itself that it had; null where it said nothing.</summary>
    public required int? OwnCount { get; init; }

    /// <summary>Successes of attempts; null with no attempts.</summary>
    public double? Accuracy => Attempts == 0 ? null : (double)Successes / Attempts;
}
