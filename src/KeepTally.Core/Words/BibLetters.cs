namespace KeepTally.Core.Words;

/// <summary>What stands on the bib of each player: the first letter of the name, or as many as it takes to tell them apart.</summary>
public static class BibLetters
{
    private const int Most = 3;

    /// <summary>A short text for each name, in their order. Names alike to the third letter get their number instead.</summary>
    public static IReadOnlyList<string> Of(IReadOnlyList<string> names)
    {
        var letters = new string[names.Count];
        foreach (var (index, name) in names.Index())
        {
            var others = names.Where((_, other) => other != index).ToArray();
            letters[index] =
                Enumerable
                    .Range(1, Most)
                    .Where(count => count <= name.Length)
                    .Select(count => name[..count])
                    .FirstOrDefault(start =>
                        !Array.Exists(others, other => other.StartsWith(start, StringComparison.OrdinalIgnoreCase))
                    )
                ?? $"{index + 1}";
        }

        return letters;
    }
}
