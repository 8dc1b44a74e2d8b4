namespace KeepTally.Screen.Views;

/// <param name="Name">The name, as it is shown.</param>
/// <param name="Here">The place the player stands at.</param>
/// <param name="Next">The place the player goes to next.</param>
/// <param name="Moving">The places are moving on now: from here to there.</param>
public sealed record PersonView(string Name, string Here, string Next, bool Moving);
