using KeepTally.Core.Text;

namespace KeepTally.Core.Reports;

/// <summary>Something looked for all practice long, and how often it was seen of a player.</summary>
/// <param name="Habit">The name of the habit.</param>
/// <param name="Player">Whose it was, by name; null for the team's.</param>
/// <param name="Count">The number counted.</param>
public sealed record SeenRow(string Habit, string? Player, int Count)
{
    /// <summary>"Loose ball 4: Ada Fenwick 3, the team 1", a line for each habit.</summary>
    public static IReadOnlyList<string> Lines(IEnumerable<SeenRow> seen) =>
        [
            .. seen.GroupBy(each => each.Habit, StringComparer.Ordinal)
                .Select(habit =>
                {
                    var own = habit
                        .GroupBy(each => each.Player)
                        .Select(each => (Name: each.Key, Count: each.Sum(row => row.Count)))
                        .OrderBy(each => each.Name is null)
                        .ThenByDescending(each => each.Count)
                        .ThenBy(each => each.Name, StringComparer.Ordinal);
                    return $"{habit.Key} {Phrase.Figure(habit.Sum(each => each.Count))}: "
                        + string.Join(", ", own.Select(each => $"{each.Name ?? "the team"} {Phrase.Figure(each.Count)}"));
                }),
        ];
}
