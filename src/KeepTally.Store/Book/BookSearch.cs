using KeepTally.Core.Cards;
using KeepTally.Core.Words;

namespace KeepTally.Store.Book;

/// <summary>Finds cards by any of their words: name, purpose, skills, sports, cues, equipment, set-up and rules. One slip of the keys is forgiven.</summary>
public static class BookSearch
{
    /// <summary>Shorter words than this are looked for as they are typed.</summary>
    private const int ShortestForgiven = 5;

    /// <summary>Returns whether a card has every word of a text, each at the beginning of one of its own.</summary>
    public static bool Finds(string text, DrillCard card)
    {
        var words = WordsOf(string.Join(' ', TextOf(card))).Distinct().ToArray();
        return WordsOf(text).All(looked => Array.Exists(words, word => Fits(looked, word)));
    }

    /// <summary>Returns whether the name of a card alone answers a text, so that the card comes before those that only mention it.</summary>
    public static bool IsName(string text, DrillCard card)
    {
        var words = WordsOf(card.Name).ToArray();
        return WordsOf(text).All(looked => Array.Exists(words, word => Fits(looked, word)));
    }

    private static IEnumerable<string> TextOf(DrillCard card) =>
        [
            card.Purpose,
            .. card.Skills,
            .. card.Sports,
            .. card.Cues,
            .. card.Faults,
            .. card.SetUp,
            .. card.Easier,
            .. card.Harder,
            .. card.Equipment.Select(each => each.Item),
            CardWords.InFull(card),
        ];

    private static IEnumerable<string> WordsOf(string text) =>
        new string(Array.ConvertAll(text.ToLowerInvariant().ToCharArray(), letter => char.IsLetterOrDigit(letter) ? letter : ' '))
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(word => word == "nought" ? "zero" : word);

    private static bool Fits(string looked, string word) =>
        word.StartsWith(looked, StringComparison.Ordinal)
        || (
            looked.Length >= ShortestForgiven
            && Enumerable
                .Range(looked.Length - 1, 3)
                .Where(length => length <= word.Length)
                .Any(length => IsOneSlip(looked, word.AsSpan(0, length)))
        );

    /// <summary>One letter too many, too few, another one, or two that have changed places.</summary>
    private static bool IsOneSlip(ReadOnlySpan<char> typed, ReadOnlySpan<char> meant)
    {
        var alike = typed.CommonPrefixLength(meant);
        var a = typed[alike..];
        var b = meant[alike..];
        return a.Length == b.Length + 1 ? a[1..].SequenceEqual(b)
            : a.Length + 1 == b.Length ? a.SequenceEqual(b[1..])
            : a.Length == b.Length
                && (
                    a.Length == 0
                    || a[1..].SequenceEqual(b[1..])
                    || (a.Length > 1 && a[0] == b[1] && a[1] == b[0] && a[2..].SequenceEqual(b[2..]))
                );
    }
}
