namespace KeepTally.Screen.Views;

/// <summary>The players of a drill, and those who may come in.</summary>
public sealed record WhoView(IReadOnlyList<GroupView> Groups, IReadOnlyList<BenchView> Bench);
