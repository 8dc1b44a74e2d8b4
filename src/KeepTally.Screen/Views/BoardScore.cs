namespace KeepTally.Screen.Views;

/// <param name="Name">The name, as it is shown.</param>
/// <param name="Figure">The figure that the pad shows.</param>
/// <param name="Leads">True for the unit that leads.</param>
/// <param name="Turn">It is this one's turn, or this side has the ball.</param>
public sealed record BoardScore(string Name, string Figure, bool Leads, bool Turn);
