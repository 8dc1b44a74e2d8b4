namespace KeepTally.Screen.Views;

/// <summary>Everything the run screen shows, as values ready to be put on the page.</summary>
/// <param name="Block">The drill under way, from 0; the number of drills once all are over.</param>
/// <param name="Over">True once the practice has ended.</param>
/// <param name="CanGoBack">True where the drill before can be opened again.</param>
/// <param name="Run">The drill under way, or null once all are over.</param>
public sealed record PracticeView(int Block, bool Over, bool CanGoBack, RunView? Run)
{
    /// <summary>Once all drills are over, what came of the last of them and what was not reached; else empty.</summary>
    public string Result { get; init; } = "";
}
