using System.Text.Json;

namespace KeepTally.Cli.Tests;

/// <summary><c>fit</c>, <c>compare</c> and <c>replay --option</c>, as a user calls them.</summary>
public sealed class FitTests : IDisposable
{
    private const string Card = """
        {"format":"keep-tally/drill@1","id":"d","name":"D","secondsPerRep":6,
         "options":{"miss":{"label":"A miss","choices":{"zero":"back to nought","hold":"does not count"},"default":"zero"}},
         "stages":[{"play":"together","streak":{"miss":"$miss"},"until":[{"streak":3}],
          "outcomes":[{"id":"make","label":"Make","result":"success","points":1},{"id":"miss","label":"Miss","result":"failure"}]}]}
        """;

    private readonly string _folder = Directory.CreateTempSubdirectory("fit").FullName;

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private string Written(string name, string text)
    {
        var file = Path.Combine(_folder, name);
        File.WriteAllText(file, text);
        return file;
    }

    [Fact]
    public void Fit_prints_the_names_of_the_format_and_agrees_with_what_can_be_calculated()
    {
        var (exit, output, error) = Tally.Run(
            "fit",
            "--card",
            Written("card.json", Card),
            "--stage",
            "0",
            "--skill",
            """{"outcomes":{"make":0.5,"miss":0.5}}"""
        );

        Assert.Equal((0, ""), (exit, error));
        using var printed = JsonDocument.Parse(output);
        var root = printed.RootElement;
        Assert.Equal(
            ["runs", "finished", "reps", "seconds", "points", "cleared", "wins", "exact"],
            root.EnumerateObject().Select(property => property.Name)
        );
        Assert.Equal((20_000, 1.0), (root.GetProperty("runs").GetInt32(), root.GetProperty("finished").GetDouble()));
        // Three heads in a row take fourteen throws: common knowledge, from memory.
        Assert.Equal(14, root.GetProperty("exact").GetProperty("reps").GetDouble());
        Assert.InRange(root.GetProperty("reps").GetProperty("mean").GetDouble(), 13.6, 14.4);
        Assert.Equal(
            ["mean", "sd", "p10", "p50", "p90"],
            root.GetProperty("seconds").EnumerateObject().Select(property => property.Name)
        );
    }

    [Fact]
    public void The_same_seed_prints_the_same_to_the_letter()
    {
        var card = Written("card.json", Card);
        var skill = Written("skill.json", """{"outcomes":{"make":0.6,"miss":0.4}}""");
        string Print(string seed) => Tally.Run("fit", "--card", card, "--skill", skill, "--runs", "500", "--seed", seed).Out;

        Assert.Equal(Print("3"), Print("3"));
        Assert.NotEqual(Print("3"), Print("4"));
    }

    [Theory]
    [InlineData("""{"outcomes":{"make":0.5}}""", "--skill: outcomes: the chances add up to 0.5")]
    [InlineData("nowhere.json", "nowhere.json: the file cannot be read")]
    public void A_skill_that_cannot_be_used_is_told_in_one_line(string skill, string fault)
    {
        var (exit, output, error) = Tally.Run("fit", "--card", Written("card.json", Card), "--skill", skill);

        Assert.Equal((2, ""), (exit, output));
        Assert.StartsWith(fault, error, StringComparison.Ordinal);
    }

    /// <summary>R. G. Newcombe (1998), method 10: 56 of 70 less 48 of 80 is 0.2, from 0.0524 to 0.3339.</summary>
    [Fact]
    public void Compare_prints_the_published_example()
    {
        var (exit, output, _) = Tally.Run("compare", "56/70", "48/80");

        using var printed = JsonDocument.Parse(output);
        var root = printed.RootElement;
        Assert.Equal(0, exit);
        Assert.Equal(
            (0.2, 0.0524, 0.3339, true, 0),
            (
                root.GetProperty("difference").GetDouble(),
                root.GetProperty("low").GetDouble(),
                root.GetProperty("high").GetDouble(),
                root.GetProperty("settled").GetBoolean(),
                root.GetProperty("moreGoes").GetInt32()
            )
        );
    }

    [Theory]
    [InlineData("7/5")]
    [InlineData("7")]
    [InlineData("0/0")]
    public void What_is_no_share_is_told(string text)
    {
        var (exit, _, error) = Tally.Run("compare", text, "1/2");

        Assert.Equal(2, exit);
        Assert.Contains("is not a share; write made/tries", error, StringComparison.Ordinal);
    }

    [Fact]
    public void A_log_is_judged_by_the_other_school()
    {
        var card = Written("card.json", Card);
        var log = Written(
            "log.jsonl",
            """
            {"format":"keep-tally/log@1","drill":"d","stage":0,"options":{},"units":[{"id":"p1","name":"Ada"}]}
            {"device":"a","n":1,"at":0,"type":"start"}
            {"device":"a","n":2,"at":1000,"type":"tap","outcome":"make"}
            {"device":"a","n":3,"at":2000,"type":"tap","outcome":"make"}
            {"device":"a","n":4,"at":3000,"type":"tap","outcome":"miss"}
            {"device":"a","n":5,"at":4000,"type":"tap","outcome":"make"}
            """
        );
        bool Done(params string[] more)
        {
            using var printed = JsonDocument.Parse(Tally.Run(["replay", "--card", card, "--log", log, .. more]).Out);
            return printed.RootElement.GetProperty("done").GetBoolean();
        }

        Assert.False(Done());
        Assert.False(Done("--option", "miss=zero"));
        Assert.True(Done("--option", "miss=hold"));
        var (exit, _, error) = Tally.Run("replay", "--card", card, "--log", log, "--option", "miss=gone");
        Assert.Equal(2, exit);
        Assert.Contains("\"gone\" is no choice of \"miss\"; use one of zero, hold", error, StringComparison.Ordinal);
    }
}
