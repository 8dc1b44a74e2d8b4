using Microsoft.CodeAnalysis.CSharp;

namespace KeepTally.Web.Tests;

/// <summary>A new kind of event, line or warning is refused until every switch over it names it.</summary>
public sealed class ClosedSwitchTests
{
    [Theory]
    [InlineData("KeepTally.Core")]
    [InlineData("KeepTally.Screen")]
    [InlineData("KeepTally.Store")]
    [InlineData("KeepTally.Web")]
    public void Every_switch_over_a_closed_set_names_every_case(string project) =>
        Assert.Empty(ClosedSwitches.Missing(FolderGraph.Compiled(Path.Combine(SourceTree.Root, "src", project))));

    /// <summary>The check itself: it sees what is missing, and nothing where nothing is.</summary>
    [Theory]
    [InlineData("Line.Drill => 1, Line.Talk => 2,", "")]
    [InlineData("Line.Drill or Line.Talk => 1,", "")]
    [InlineData("Line.Drill { Minutes: var minutes } => minutes, Line.Talk => 2,", "")]
    [InlineData("Line.Drill => 1,", "Line misses Talk")]
    [InlineData("Line.Drill { Minutes: > 3 } => 1, Line.Talk => 2,", "Line misses Drill")]
    [InlineData("Line.Drill when true => 1, Line.Talk => 2,", "Line misses Drill")]
    public void A_case_that_is_missing_is_found(string arms, string missing)
    {
        var text = $$"""
            abstract record Line
            {
                public sealed record Drill(int Minutes) : Line;
                public sealed record Talk : Line;
            }

            static class Use
            {
                static int Of(Line line) => line switch { {{arms}} _ => throw new System.InvalidOperationException() };
            }
            """;
        var compilation = CSharpCompilation.Create(
            "Sample",
            [CSharpSyntaxTree.ParseText(text, path: "Sample.cs")],
            FolderGraph.Framework
        );
        Assert.Equal(missing, ClosedSwitches.Missing(compilation).Select(each => each.Split(": ")[1]).FirstOrDefault() ?? "");
    }

    [Fact]
    public void A_case_of_an_enum_that_is_missing_is_found_in_a_statement_too()
    {
        const string Text = """
            enum Code { One, Two, Three }

            static class Use
            {
                static int Of(Code? code)
                {
                    switch (code)
                    {
                        case Code.One:
                        case Code.Two:
                            return 1;
                        default:
                            throw new System.InvalidOperationException();
                    }
                }
            }
            """;
        var compilation = CSharpCompilation.Create(
            "Sample",
            [CSharpSyntaxTree.ParseText(Text, path: "Sample.cs")],
            FolderGraph.Framework
        );
        Assert.EndsWith("Code misses Three", Assert.Single(ClosedSwitches.Missing(compilation)), StringComparison.Ordinal);
    }
}
