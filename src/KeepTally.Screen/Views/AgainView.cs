namespace KeepTally.Screen.Views;

/// <param name="Ends">Sides may change ends first.</param>
/// <param name="Moves">Those who wait may come on first.</param>
public sealed record AgainView(bool Ends, bool Moves);
