namespace KeepTally.Screen.Views;

/// <param name="Habit">The habit.</param>
/// <param name="Count">How often it was seen in all, of players and of the team.</param>
/// <param name="Players">The players it can be noted for.</param>
public sealed record HabitView(string Habit, int Count, IReadOnlyList<SeenView> Players);
