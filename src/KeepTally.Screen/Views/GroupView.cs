namespace KeepTally.Screen.Views;

/// <param name="Sheet">The sheet on which a player who joins the group comes in.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Players">The players, in order.</param>
public sealed record GroupView(string Sheet, string Name, IReadOnlyList<OnView> Players);
