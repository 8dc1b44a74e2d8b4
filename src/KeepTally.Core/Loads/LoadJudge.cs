namespace KeepTally.Core.Loads;

/// <summary>Something about a player's load that a coach should know.</summary>
public abstract record LoadWarning(DateOnly Day)
{
    /// <summary>More in a day than the limit.</summary>
    public sealed record OverDay(DateOnly Day, int Count, int Most) : LoadWarning(Day);

    /// <summary>There was work on a day on which rest was due.</summary>
    public sealed record TooSoon(DateOnly Day, DateOnly After, int Count, int RestDays) : LoadWarning(Day);

    /// <summary>Rest is due still on a day that is to come.</summary>
    public sealed record StillResting(DateOnly Day, DateOnly After, int Count, int RestDays) : LoadWarning(Day);
}

/// <summary>Holds what a player did against a limit.</summary>
public static class LoadJudge
{
    /// <summary>The days over the limit or with too little rest, the latest first.</summary>
    /// <param name="limit">The limit of load.</param>
    /// <param name="days">How many on each day, in any order, each day once.</param>
    public static IReadOnlyList<LoadWarning> OfPast(LoadLimit limit, IEnumerable<(DateOnly Day, int Count)> days)
    {
        var warnings = new List<LoadWarning>();
        var ordered = days.Where(day => day.Count > 0).OrderBy(day => day.Day).ToArray();
        foreach (var (index, (day, count)) in ordered.Index())
        {
            if (count > limit.PerDay)
            {
                warnings.Add(new LoadWarning.OverDay(day, count, limit.PerDay));
            }

            if (Resting(limit, ordered[..index], day) is { } after)
            {
                warnings.Add(new LoadWarning.TooSoon(day, after.Day, after.Count, limit.RestAfter(after.Count)));
            }
        }

        return [.. warnings.OrderByDescending(warning => warning.Day)];
    }

    /// <summary>Whether rest is due still on a day; null where it is not.</summary>
    public static LoadWarning.StillResting? On(DateOnly day, LoadLimit limit, IEnumerable<(DateOnly Day, int Count)> days) =>
        Resting(limit, days.Where(each => each.Day < day), day) is { } after
            ? new LoadWarning.StillResting(day, after.Day, after.Count, limit.RestAfter(after.Count))
            : null;

    /// <summary>The day whose rest reaches furthest, where it reaches a day; whole days lie between.</summary>
    private static (DateOnly Day, int Count)? Resting(LoadLimit limit, IEnumerable<(DateOnly Day, int Count)> before, DateOnly day)
    {
        DateOnly LastOfRest((DateOnly Day, int Count) work) => work.Day.AddDays(limit.RestAfter(work.Count));
        var due = before.Where(work => work.Day < day && LastOfRest(work) >= day).ToArray();
        return due.Length == 0 ? null : due.MaxBy(LastOfRest);
    }
}
