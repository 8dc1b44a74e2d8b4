using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>The habits of the practice: how often each was seen so far, and of which player.</summary>
public static class HabitPresenter
{
    /// <summary>Each habit with everyone of the drill under way, and how often it was seen of them.</summary>
    public static IReadOnlyList<HabitView> Of(LivePractice practice, IReadOnlyList<string> habits)
    {
        var run = practice.Runs[Math.Min(practice.Current, practice.Runs.Count - 1)];
        PlayerId[] players = [.. run.Sheets.SelectMany(each => each.Sheet.Score.Roster.Everyone).Distinct()];
        var seen = practice.Runs.SelectMany(each => each.Sheets).SelectMany(each => each.Sheet.Score.Habits).ToArray();
        return
        [
            .. habits.Select(habit => new HabitView(
                habit,
                practice.Seen(habit),
                [
                    .. players
                        .Select(player => new SeenView(
                            player.Value,
                            run.CallNameOf(player),
                            seen.Where(each => each.Habit == habit && each.Player == player).Sum(each => each.Count)
                        ))
                        .OrderBy(player => player.Name, StringComparer.Ordinal),
                ]
            )),
        ];
    }
}
