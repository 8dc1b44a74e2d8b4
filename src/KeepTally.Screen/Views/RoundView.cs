namespace KeepTally.Screen.Views;

/// <summary>A group on its way round a circuit.</summary>
/// <param name="Letter">The letter of the group.</param>
/// <param name="Pattern">Which of the four bibs.</param>
/// <param name="Players">The names of the players.</param>
/// <param name="Here">The station where it is, by number and name.</param>
/// <param name="Next">Where it goes next; empty in the last round.</param>
/// <param name="Moving">It is on its way there now.</param>
public sealed record RoundView(string Letter, int Pattern, string Players, string Here, string Next, bool Moving);
