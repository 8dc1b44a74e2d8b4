using KeepTally.Web.Tests;

namespace KeepTally.Browser.Tests;

/// <summary>What the scripts take for granted of the core's answers is what the core answers.</summary>
public sealed class ViewContractTests
{
    private const string Place = "src/KeepTally.Web/Scripts/views.d.ts";

    /// <summary>KEEP_TALLY_WRITE=1 writes the file anew, once a view has changed.</summary>
    [Fact]
    public void The_types_of_the_scripts_are_those_of_the_records()
    {
        var file = Path.Combine(SourceTree.Root, Place);
        if (Environment.GetEnvironmentVariable("KEEP_TALLY_WRITE") == "1")
        {
            File.WriteAllText(file, ViewContract.Write());
        }

        Assert.Equal(ViewContract.Write(), File.ReadAllText(file).ReplaceLineEndings("\n"));
    }
}
