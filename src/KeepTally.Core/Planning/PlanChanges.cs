using KeepTally.Core.Text;

namespace KeepTally.Core.Planning;

/// <summary>Says what differs between a plan and what an edit made of it.</summary>
public static class PlanChanges
{
    /// <summary>A clause for each change: "added Three gates", "Minute trios now 6 min (was 4)"; none where nothing differs.</summary>
    /// <param name="before">The plan before the changes.</param>
    /// <param name="after">What an edit made of the first: a line it kept has its key, a new one has none.</param>
    /// <param name="shelf">The cards that the plan names.</param>
    public static IReadOnlyList<string> Of(Plan before, Plan after, CardShelf shelf)
    {
        var was = before.Blocks.Where(block => block.Key is not null).ToDictionary(block => block.Key!.Value);
        var kept = after.Blocks.Where(block => block.Key is { } key && was.ContainsKey(key)).ToArray();
        var keys = kept.Select(block => block.Key!.Value).ToHashSet();
        var changes = new List<string>();
        changes.AddRange(after.Blocks.Where(block => block.Key is null).Select(block => $"added {shelf.NameOf(block)}"));
        changes.AddRange(was.Where(each => !keys.Contains(each.Key)).Select(each => $"removed {shelf.NameOf(each.Value)}"));
        if (Moved([.. was.Keys.Where(keys.Contains)], [.. kept.Select(block => block.Key!.Value)]) is { } moved)
        {
            changes.Add(moved.Count == 1 ? $"moved {shelf.NameOf(was[moved[0]])}" : "changed the order");
        }

        changes.AddRange(
            kept.Where(block => block != was[block.Key!.Value])
                .Select(block => Changed(shelf.NameOf(block), was[block.Key!.Value].Seconds, block.Seconds))
        );
        if (!before.Reserve.SequenceEqual(after.Reserve))
        {
            changes.Add("changed the reserve");
        }

        if (before with { Blocks = [], Reserve = [] } != after with { Blocks = [], Reserve = [] })
        {
            changes.Add("changed the details of the practice");
        }

        return changes;
    }

    private static string Changed(string name, double was, double now) =>
        was == now
            ? $"changed {name}"
            : $"{name} now {Phrase.Figure(Math.Round(now / 60, 1))} min (was {Phrase.Figure(Math.Round(was / 60, 1))})";

    /// <summary>The one line that stands elsewhere, or all of them where it takes more than one to explain the order; null where it is the same.</summary>
    private static IReadOnlyList<int>? Moved(IReadOnlyList<int> was, IReadOnlyList<int> now)
    {
        if (was.SequenceEqual(now))
        {
            return null;
        }

        // Of two neighbours that changed places, the one that came forward is named.
        var alone = now.Where(key => was.Where(each => each != key).SequenceEqual(now.Where(each => each != key))).ToArray();
        return alone.Length > 0 ? [alone[0]] : now;
    }
}
