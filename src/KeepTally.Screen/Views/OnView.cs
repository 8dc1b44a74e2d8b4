namespace KeepTally.Screen.Views;

/// <param name="Id">The id of the player.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Call">What they are called in passing.</param>
/// <param name="Goes">How often at each job so far; empty where nobody moves.</param>
public sealed record OnView(string Id, string Name, string Call, string Goes);
