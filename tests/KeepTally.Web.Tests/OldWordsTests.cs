using System.Text.RegularExpressions;

namespace KeepTally.Web.Tests;

/// <summary>Words that were given up, listed in <c>tests/old-words.txt</c>, do not come back: not on a page, in a document or in code.</summary>
public sealed class OldWordsTests
{
    private const string Listed = "tests/old-words.txt";

    private static readonly string[] Extensions = [".cs", ".cshtml", ".js", ".mjs", ".scss", ".md"];

    private static readonly string[] Passed = ["obj", "bin", "node_modules", "dist", "Migrations", "test-results"];

    [Fact]
    public void No_word_of_the_old_list_is_left()
    {
        var root = SourceTree.Root;
        var old = File.ReadLines(Path.Combine(root, Listed))
            .Where(line => line.Length > 0 && !line.StartsWith('#'))
            .Select(line => new Regex(line, RegexOptions.CultureInvariant))
            .ToArray();
        var found =
            from file in new[] { "src", "docs", "tests", "bench" }.SelectMany(part => Files(Path.Combine(root, part)))
            from line in File.ReadLines(file).Index()
            from word in old
            where word.IsMatch(line.Item)
            select $"{Path.GetRelativePath(root, file)}:{line.Index + 1}: {word}";

        Assert.NotEmpty(old);
        Assert.Empty(found.Take(40));
    }

    private static IEnumerable<string> Files(string folder) =>
        Directory
            .EnumerateFiles(folder)
            .Where(file => Extensions.Contains(Path.GetExtension(file), StringComparer.Ordinal))
            .Concat(
                Directory
                    .EnumerateDirectories(folder)
                    .Where(inner => !Passed.Contains(Path.GetFileName(inner), StringComparer.Ordinal))
                    .SelectMany(Files)
            );
}
