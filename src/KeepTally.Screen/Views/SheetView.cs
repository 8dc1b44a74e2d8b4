namespace KeepTally.Screen.Views;

/// <param name="Id">The id of the sheet.</param>
/// <param name="Done">True once the sheet is over.</param>
/// <param name="Result">The result in a sentence; empty while it is not over.</param>
/// <param name="Aim">What is played for, as it stands; empty where the clock shows it.</param>
/// <param name="Versus">How many of each side are at work, such as "3 v 3"; empty where there are no sides, or all is over.</param>
/// <param name="Games">Which game of several this is, and who won those before; empty in the first.</param>
/// <param name="Again">How it can be played again; null while it is not played out.</param>
/// <param name="Clock">In a circuit, where the station's own clock stands; else empty.</param>
/// <param name="Group">In a circuit, the group that is here; else empty.</param>
/// <param name="Rows">The rows, in order.</param>
/// <param name="Helpers">The helpers of the sheet.</param>
/// <param name="People">The players with their places.</param>
public sealed record SheetView(
    string Id,
    bool Done,
    string Result,
    string Aim,
    string Versus,
    string Games,
    AgainView? Again,
    string Clock,
    string Group,
    IReadOnlyList<RowView> Rows,
    IReadOnlyList<HelperView> Helpers,
    IReadOnlyList<PersonView> People
);
