namespace KeepTally.Web.Api;

/// <summary>A change of a plan by a coach.</summary>
/// <param name="Version">The version of the plan that it made.</param>
/// <param name="Who">The name of the coach who changed it.</param>
/// <param name="Words">The changes, in clauses.</param>
public sealed record PlanNewsItem(int Version, string Who, string Words);

/// <summary>
/// The latest changes of every plan, for the pages that stand open elsewhere. It is kept in memory alone: an open page learns from
/// the version that something has changed, and from here what.
/// </summary>
public sealed class PlanNews
{
    private const int Kept = 30;

    private readonly Lock _lock = new();
    private readonly Dictionary<int, List<PlanNewsItem>> _changes = [];

    /// <summary>Remembers a change of the plan of a practice.</summary>
    public void Add(int practice, PlanNewsItem change)
    {
        lock (_lock)
        {
            if (!_changes.TryGetValue(practice, out var known))
            {
                _changes[practice] = known = [];
            }

            known.Add(change);
            known.RemoveRange(0, Math.Max(0, known.Count - Kept));
        }
    }

    /// <summary>The changes after a version, the earliest first.</summary>
    public IReadOnlyList<PlanNewsItem> Since(int practice, int version)
    {
        lock (_lock)
        {
            return [.. _changes.GetValueOrDefault(practice, []).Where(change => change.Version > version)];
        }
    }
}
