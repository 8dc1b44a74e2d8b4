namespace KeepTally.Screen.Views;

/// <param name="Id">The id of the player.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Call">What they are called in passing.</param>
/// <param name="Note">Why not in the drill under way; empty where they may come in.</param>
public sealed record BenchView(string Id, string Name, string Call, string Note);
