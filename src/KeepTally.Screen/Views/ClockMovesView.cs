namespace KeepTally.Screen.Views;

/// <param name="Add">The work under way, or that was last, can be given another moment.</param>
/// <param name="Take">The work under way can be made shorter.</param>
/// <param name="Skip">What is skipped, as a button says it; empty where nothing is.</param>
/// <param name="Repeat">What is done again, as a button says it; empty where nothing is.</param>
/// <param name="Another">There can be one more round.</param>
public sealed record ClockMovesView(bool Add, bool Take, string Skip, string Repeat, bool Another);
