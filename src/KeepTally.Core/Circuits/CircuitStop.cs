namespace KeepTally.Core.Circuits;

/// <summary>One group at one station in one round of a circuit.</summary>
/// <param name="Round">From 1.</param>
/// <param name="Station">From 0, in the order of the circuit.</param>
/// <param name="Group">From 0.</param>
public readonly record struct CircuitStop(int Round, int Station, int Group);
