using System.Reflection;

namespace KeepTally.Store.Book;

/// <summary>The cards that come with the application, as the texts of their format.</summary>
public static class ShippedCards
{
    private const string Folder = "KeepTally.Store.Book.Cards.";

    public static IReadOnlyDictionary<string, string> All { get; } = Read();

    private static Dictionary<string, string> Read()
    {
        var assembly = Assembly.GetExecutingAssembly();
        return assembly
            .GetManifestResourceNames()
            .Where(name => name.StartsWith(Folder, StringComparison.Ordinal))
            .Order(StringComparer.Ordinal)
            .ToDictionary(name => name[Folder.Length..^".json".Length], name => Text(assembly, name), StringComparer.Ordinal);
    }

    private static string Text(Assembly assembly, string name)
    {
        using var reader = new StreamReader(assembly.GetManifestResourceStream(name)!);
        return reader.ReadToEnd();
    }
}
