namespace KeepTally.Core.Text;

/// <summary>
/// What stands on the bib of each player: the first letter of the name, or two, or the initials, or three, whichever is the
/// first to tell them apart.
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

    /// <summary>A short text for each name, in their order. Names that nothing tells apart get their number instead.</summary>
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
