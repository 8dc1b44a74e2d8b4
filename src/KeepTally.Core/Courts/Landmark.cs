using KeepTally.Core.Measures;

namespace KeepTally.Core.Courts;

/// <summary>A point of a floor that anyone finds without a tape: a corner, a post, the foot of a line.</summary>
/// <param name="Name">As it is said: "the near left corner". Left, right, near and far are those of the picture.</param>
/// <param name="At">Where it is.</param>
public sealed record Landmark(string Name, Spot At);
