using KeepTally.Core.Identity;

namespace KeepTally.Core.Scoring;

/// <summary>Counts the habits of a practice: how often each was seen, and of which player.</summary>
internal sealed class HabitLog
{
    private readonly List<HabitReport> _seen;

    internal HabitLog() => _seen = [];

    private HabitLog(HabitLog other) => _seen = [.. other._seen];

    internal HabitLog Copy() => new(this);

    internal IReadOnlyList<HabitReport> Seen => _seen;

    internal void Count(string habit, PlayerId? player)
    {
        var index = _seen.FindIndex(each => each.Habit == habit && each.Player == player);
        if (index < 0)
        {
            _seen.Add(new HabitReport(habit, player, 1));
        }
        else
        {
            _seen[index] = _seen[index] with { Count = _seen[index].Count + 1 };
        }
    }
}

/// <summary>A habit that was seen.</summary>
/// <param name="Habit">The name of the habit.</param>
/// <param name="Player">Of whom; null for the team.</param>
/// <param name="Count">How often.</param>
public sealed record HabitReport(string Habit, PlayerId? Player, int Count);
