using System.Globalization;

namespace KeepTally.Core.Text;

/// <summary>
/// What stands on the bib of each player: the shirt number, or without one the first letter of the name, or two, or the initials,
/// or three, whichever is the first to tell them apart.
/// </summary>
public static class BibLetters
{
    private static readonly Func<string, string>[] Forms =
    [
        name => Start(name, 1),
        name => Start(name, 2),
        Initials,
        name => Start(name, 3),
    ];

    /// <summary>
    /// The shirt number of each player who has one that nobody else wears, and letters of the name for all others; no two are alike.
    /// </summary>
    public static IReadOnlyList<string> Of(IReadOnlyList<(string Name, int? Number)> players)
    {
        var worn = players.Where(player => player.Number is not null).CountBy(player => player.Number!.Value).ToDictionary();
        string?[] numbers =
        [
            .. players.Select(player =>
                player.Number is { } number && worn[number] == 1 ? number.ToString(CultureInfo.InvariantCulture) : null
            ),
        ];
        var letters = Of([.. players.Where((_, index) => numbers[index] is null).Select(player => player.Name)]);
        var next = 0;
        return [.. numbers.Select(number => number ?? Beside(letters[next++], numbers))];
    }

    private static string Beside(string letters, IReadOnlyList<string?> numbers) =>
        numbers.Contains(letters) ? $"no. {letters}" : letters;

    /// <summary>A short text for each name, in their order. Names that nothing tells apart get their place in it instead.</summary>
    public static IReadOnlyList<string> Of(IReadOnlyList<string> names)
    {
        string?[] letters =
        [
            .. names.Select(name => Forms.Select(form => form(name)).FirstOrDefault(start => IsAlone(start, names))),
        ];
        return
        [
            .. letters.Select(
                (each, index) => each is null || letters.Count(other => Same(other, each)) > 1 ? $"{index + 1}" : each
            ),
        ];
    }

    /// <summary>Only one of the names has this form, whichever form it is.</summary>
    private static bool IsAlone(string letters, IReadOnlyList<string> names) =>
        letters.Length > 0 && Forms.All(form => names.Count(name => Same(form(name), letters)) <= 1);

    private static bool Same(string? one, string other) => string.Equals(one, other, StringComparison.OrdinalIgnoreCase);

    private static string Start(string name, int count) => name[..Math.Min(count, name.Length)];

    private static string Initials(string name) =>
        string.Concat(
            name.Split(' ', StringSplitOptions.RemoveEmptyEntries).Take(2).Select(word => char.ToUpperInvariant(word[0]))
        );
}
