namespace KeepTally.Screen.Views;

/// <summary>A kind of tag of a tap, with its values.</summary>
/// <param name="Tag">The id of the kind of tag.</param>
/// <param name="Name">What the tag is called.</param>
/// <param name="Picks">The choices.</param>
public sealed record TagPickView(string Tag, string Name, IReadOnlyList<PickView> Picks);
