namespace KeepTally.Screen.Views;

/// <summary>A player who may have won the duel under way.</summary>
public sealed record ContestView(string Sheet, string Player, string Name);
