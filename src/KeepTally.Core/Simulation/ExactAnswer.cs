using KeepTally.Core.Identity;

namespace KeepTally.Core.Simulation;

/// <summary>What can be calculated of a drill without playing it.</summary>
/// <param name="Reps">The reps to be expected.</param>
/// <param name="Wins">In a match the chance of each side; else empty.</param>
public sealed record ExactAnswer(double Reps, IReadOnlyList<(PlayerId Unit, double Chance)> Wins);
