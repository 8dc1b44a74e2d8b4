using KeepTally.Core.Groups;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>How even groups are, in words.</summary>
public static class EvenWords
{
    /// <param name="sizes">How many players each group has.</param>
    /// <param name="evenness">How even they are besides.</param>
    public static string Of(IReadOnlyList<int> sizes, Evenness evenness)
    {
        var words = new List<string>
        {
            sizes.Max() - sizes.Min() <= 1
                ? "even in number"
                : $"{sizes.Max()} in the largest group, {sizes.Min()} in the smallest",
            evenness.Uneven.Count == 0
                ? "positions spread"
                : string.Join(
                    ", ",
                    evenness.Uneven.Select(each =>
                        $"{Phrase.Of(each.Most, each.Position)} in one group and {(each.Fewest == 0 ? "none" : Phrase.Count(each.Fewest))} in another"
                    )
                ),
        };
        if (evenness.LevelGap is { } gap)
        {
            words.Add(gap < 0.005 ? "level" : $"{Phrase.Figure(Math.Round(gap, 2))} between the strongest group and the weakest");
        }

        words.Add(evenness.Met == 0 ? "all partners fresh" : $"recent partners together {Phrase.Times(evenness.Met)}");
        return Phrase.Sentence(string.Join("; ", words));
    }
}
