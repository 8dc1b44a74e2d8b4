namespace KeepTally.Web.Tests;

/// <summary>The folder of the whole source, from which the tests were built.</summary>
internal static class SourceTree
{
    internal static string Root { get; } = FindRoot();

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "KeepTally.slnx")))
        {
            folder = folder.Parent!;
        }

        return folder.FullName;
    }
}
