using KeepTally.Core.Identity;

namespace KeepTally.Core.Simulation;

/// <summary>The figures of a drill that can be calculated without simulating it.</summary>
/// <param name="Reps">The reps to be expected.</param>
/// <param name="Wins">In a match the chance of each side; else empty.</param>
public sealed record ExactAnswer(double Reps, IReadOnlyList<(PlayerId Unit, double Chance)> Wins);
