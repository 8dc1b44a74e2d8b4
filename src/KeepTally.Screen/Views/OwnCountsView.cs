namespace KeepTally.Screen.Views;

/// <param name="Round">Of which round; empty where there is one.</param>
/// <param name="Units">The units, in order.</param>
public sealed record OwnCountsView(string Round, IReadOnlyList<OwnCountView> Units);
