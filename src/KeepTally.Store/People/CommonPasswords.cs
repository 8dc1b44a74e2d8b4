using System.Reflection;

namespace KeepTally.Store.People;

/// <summary>The passwords that are tried first, and what is made of them.</summary>
public static class CommonPasswords
{
    /// <summary>Whatever is made of so many common ones, with figures around them, is as good as common.</summary>
    private const int FewPieces = 2;

    private const int FewCharacters = 5;

    private static readonly Lazy<HashSet<string>> Listed = new(Read);

    /// <summary>
    /// Whether a password is one of the most common, or is made of one or two of them with figures and signs around them, or
    /// of very few characters.
    /// </summary>
    public static bool Hold(string password)
    {
        var text = new string([.. password.ToLowerInvariant().Where(char.IsLetterOrDigit)]);
        return password.ToLowerInvariant().Distinct().Count() < FewCharacters || Pieces(text) <= FewPieces;
    }

    /// <summary>Of how many listed ones a text can be made at the least; figures between them do not count.</summary>
    private static int Pieces(string text)
    {
        var least = new int[text.Length + 1];
        for (var end = 1; end <= text.Length; end++)
        {
            least[end] = char.IsAsciiDigit(text[end - 1]) ? least[end - 1] : FewPieces + 1;
            for (var start = 0; start < end; start++)
            {
                if (least[start] < least[end] - 1 && Listed.Value.Contains(text[start..end]))
                {
                    least[end] = least[start] + 1;
                }
            }
        }

        return least[^1];
    }

    private static HashSet<string> Read()
    {
        using var stream = Assembly
            .GetExecutingAssembly()
            .GetManifestResourceStream("KeepTally.Store.People.common-passwords.txt")!;
        using var reader = new StreamReader(stream);
        return [.. reader.ReadToEnd().Split('\n').Where(line => line.Length > 0 && line[0] != '#')];
    }
}
