namespace KeepTally.Screen.Views;

/// <param name="Sheet">The id of the sheet.</param>
/// <param name="Unit">The id of the unit.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Count">What it said; null where it said nothing yet.</param>
public sealed record OwnCountView(string Sheet, string Unit, string Name, int? Count);
