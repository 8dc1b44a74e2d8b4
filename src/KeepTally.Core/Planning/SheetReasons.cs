using System.Globalization;
using KeepTally.Core.Text;

namespace KeepTally.Core.Planning;

/// <summary>Why a sheet is offered, in the words of a coach; every figure is of the sheet itself.</summary>
internal static class SheetReasons
{
    private const int LongAgo = 14;

    internal static string NameOf(SheetKind kind) =>
        kind switch
        {
            SheetKind.StepByStep => "Step by step",
            SheetKind.WithCircuit => "With a circuit",
            SheetKind.LongestUnpractised => "Long not practised",
            _ => throw new InvalidOperationException("A kind no offer knows."),
        };

    internal static string Of(SheetWish wish, SheetDraft draft)
    {
        var parts = new List<string>();
        foreach (var (skill, minutes) in Balance.Of([draft.Plan], draft.Shelf).Skills)
        {
            if (wish.Skills.Contains(skill))
            {
                parts.Add($"{Figure(minutes)} min of {skill}");
            }
        }

        var days = wish.Book.ToDictionary(each => each.Card.Id, each => each.DaysAgo, StringComparer.Ordinal);
        var old = draft.Own.Where(id => days.GetValueOrDefault(id) >= LongAgo).ToArray();
        if (old.MaxBy(id => days[id]) is { } oldest)
        {
            parts.Add($"{draft.Shelf.NameOf(new PlanBlock.Drill(oldest, 1, 1))} last done {days[oldest]} days ago");
        }

        var fresh = draft.Own.Count(id => days.TryGetValue(id, out var ago) && ago is null);
        if (fresh > 0)
        {
            parts.Add($"{Phrase.Count(fresh)} never done yet");
        }

        var efforts = draft.Plan.Blocks.Select(draft.Shelf.EffortOf).OfType<int>().ToArray();
        if (efforts.Length > 1 && efforts[^1] > efforts[0])
        {
            parts.Add($"effort rises from {efforts[0]} to {efforts[^1]}");
        }

        var busy = PlanReport.Of(draft.Plan, draft.Shelf).Blocks.Average(block => (double?)block.ActiveShare);
        parts.Add($"{Phrase.Percent(busy ?? 0)} busy at a time");
        if (draft.Plan.Reserve.Count > 0)
        {
            parts.Add($"{Phrase.Count(draft.Plan.Reserve.Count)} in reserve");
        }

        return Phrase.Sentence(string.Join("; ", parts));
    }

    private static string Figure(double minutes) => Math.Round(minutes).ToString("0", CultureInfo.InvariantCulture);
}
