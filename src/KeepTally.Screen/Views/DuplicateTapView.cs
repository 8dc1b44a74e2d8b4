namespace KeepTally.Screen.Views;

/// <summary>The same tap from two devices at nearly the same moment; the later one is undone where it was one tap.</summary>
public sealed record DuplicateTapView(string Sheet, string Device, int N, string Text);
