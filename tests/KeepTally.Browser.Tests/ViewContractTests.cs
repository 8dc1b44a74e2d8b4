namespace KeepTally.Browser.Tests;

/// <summary>What the scripts take for granted of the core's answers is what the core answers.</summary>
public sealed class ViewContractTests
{
    private const string Place = "src/KeepTally.Web/Scripts/views.d.ts";

    /// <summary>KEEP_TALLY_WRITE=1 writes the file anew, once a view has changed.</summary>
    [Fact]
    public void The_types_of_the_scripts_are_those_of_the_records()
    {
        var file = Path.Combine(Root(), Place);
        if (Environment.GetEnvironmentVariable("KEEP_TALLY_WRITE") == "1")
        {
            File.WriteAllText(file, ViewContract.Write());
        }

        Assert.Equal(ViewContract.Write(), File.ReadAllText(file).ReplaceLineEndings("\n"));
    }

    private static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "KeepTally.slnx")))
        {
            folder = folder.Parent ?? throw new InvalidOperationException("The tests are run outside of the repository.");
        }

        return folder.FullName;
    }
}
