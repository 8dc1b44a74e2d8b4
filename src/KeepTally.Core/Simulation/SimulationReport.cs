using KeepTally.Core.Identity;

namespace KeepTally.Core.Simulation;

/// <summary>The forecast of a drill for given players. Source: docs/formats.md, section 7.</summary>
/// <param name="Runs">How often it was played.</param>
/// <param name="Finished">The share of runs that met a condition other than the cap on reps: what ends it on its card, or the time.</param>
/// <param name="PlayedOut">The share of runs that its own rules ended before the time was up.</param>
/// <param name="Reps">Reps of a run.</param>
/// <param name="Seconds">Running seconds of a run.</param>
/// <param name="Units">What came of each unit.</param>
public sealed record SimulationReport(
    int Runs,
    double Finished,
    double PlayedOut,
    Distribution Reps,
    Distribution Seconds,
    IReadOnlyList<UnitSimulation> Units
);

/// <summary>The figures of a unit over many runs.</summary>
/// <param name="Unit">The id of the unit.</param>
/// <param name="Points">Its points at the end.</param>
/// <param name="Cleared">Rungs it had cleared at the end.</param>
/// <param name="Wins">The share of runs that it won.</param>
/// <param name="ParMet">The share of runs in which it reached the par of the stage; nought where none is set.</param>
public sealed record UnitSimulation(PlayerId Unit, Distribution Points, Distribution Cleared, double Wins, double ParMet)
{
    /// <summary>The number of equal units compared for <see cref="Apart"/>.</summary>
    public const int Alike = 4;

    /// <summary>How far apart in points the best and the last of <see cref="Alike"/> of just this skill end, on the mean: by luck alone.</summary>
    public double Apart { get; init; }
}
