namespace KeepTally.Core.Loads;

/// <summary>The most a player of an age may do in a day, and the days of rest after it.</summary>
/// <param name="FromAge">The youngest it is for, in whole years.</param>
/// <param name="ToAge">The oldest.</param>
/// <param name="PerDay">So many in a day at the most.</param>
/// <param name="Rest">From how many on how many whole days of rest follow, the fewest first.</param>
public sealed record LoadLimit(int FromAge, int ToAge, int PerDay, IReadOnlyList<RestStep> Rest)
{
    /// <summary>Whole days of rest after so many in a day.</summary>
    public int RestAfter(int count) => Rest.LastOrDefault(step => count >= step.From).Days;
}

/// <summary>From so many in a day on, so many whole days of rest follow.</summary>
public readonly record struct RestStep(int From, int Days);
