namespace KeepTally.Screen.Views;

/// <summary>How often it was seen of one player.</summary>
public sealed record SeenView(string Id, string Name, int Count);
