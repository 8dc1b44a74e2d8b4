using KeepTally.Core.Time;

namespace KeepTally.Core.Simulation;

/// <summary>How a drill is played ahead.</summary>
/// <param name="Pace">From one rep to the next, longer than nothing.</param>
public sealed record SimulationSettings(Duration Pace)
{
    /// <summary>How often it is played, 1 or more.</summary>
    public int Runs { get; init; } = 20_000;

    /// <summary>The seed of the draws: the same seed gives the same figures.</summary>
    public long Seed { get; init; } = 1;

    /// <summary>After so many reps a run that will not end is given up.</summary>
    public int Cap { get; init; } = 10_000;

    /// <summary>The time there is for it; null where it is played until it ends.</summary>
    public Duration? Given { get; init; }
}
