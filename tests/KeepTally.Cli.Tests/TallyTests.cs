using System.Text.Json;
using KeepTally.Core.Places;

namespace KeepTally.Cli.Tests;

public sealed class TallyTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("tally").FullName;

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    [Fact]
    public void Replay_prints_one_object_with_the_names_of_the_format()
    {
        var (exit, output, error) = Tally.Run(
            "replay",
            "--card",
            "rebounds-lead-by-two/card.json",
            "--log",
            "rebounds-lead-by-two/log.jsonl"
        );

        using var printed = JsonDocument.Parse(output);
        Assert.Equal((0, ""), (exit, error));
        Assert.Equal("x", printed.RootElement.GetProperty("winner").GetString());
        Assert.Equal(13, printed.RootElement.GetProperty("units")[0].GetProperty("points").GetDouble());
        Assert.Equal(24, printed.RootElement.GetProperty("running").GetDouble());
    }

    [Fact]
    public void Replay_at_a_moment_knows_nothing_of_what_came_after()
    {
        var (_, output, _) = Tally.Run(
            "replay",
            "--card",
            "rebounds-lead-by-two/card.json",
            "--log",
            "rebounds-lead-by-two/log.jsonl",
            "--at",
            "10500"
        );

        using var printed = JsonDocument.Parse(output);
        Assert.Equal(
            (10.0, 10.5),
            (
                printed.RootElement.GetProperty("units")[0].GetProperty("points").GetDouble(),
                printed.RootElement.GetProperty("running").GetDouble()
            )
        );
    }

    [Fact]
    public void Rotate_prints_the_start_first()
    {
        var (exit, output, _) = Tally.Run(
            "rotate",
            "--card",
            "rotate-shooter-feeder-rebounder/card.json",
            "--players",
            "A,B,C",
            "--times",
            "1"
        );

        Assert.Equal(0, exit);
        Assert.Equal(
            """[{"shoot":["A"],"rebound":["B"],"feed":["C"]},{"shoot":["C"],"rebound":["A"],"feed":["B"]}]""",
            output.Trim()
        );
    }

    [Theory]
    [InlineData(
        "card.json: stages[0].until[0].lead:",
        """{"format":"keep-tally/drill@1","id":"win-the-rebound","name":"D","stages":[{"until":[{"points":1,"lead":"x"}]}]}"""
    )]
    [InlineData("card.json: line 1, column 2:", "{")]
    public void A_broken_card_is_one_line_with_the_path_and_exit_code_2(string expected, string card)
    {
        File.WriteAllText(Path.Combine(_folder, "card.json"), card);

        AssertRefused(expected, "replay", "--card", Path.Combine(_folder, "card.json"), "--log", "rebounds-lead-by-two/log.jsonl");
    }

    [Fact]
    public void A_tap_nobody_can_take_is_named_with_its_line()
    {
        var log = Path.Combine(_folder, "log.jsonl");
        File.WriteAllText(
            log,
            File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "cases/rebounds-lead-by-two/log.jsonl"))
                .Replace("\"unit\": \"y\"", "\"unit\": \"z\"")
        );

        AssertRefused(
            "log.jsonl: line 13, unit: there is no \"z\"",
            "replay",
            "--card",
            "rebounds-lead-by-two/card.json",
            "--log",
            log
        );
    }

    [Theory]
    [InlineData(
        "nowhere.json: the file cannot be read",
        "replay",
        "--card",
        "nowhere.json",
        "--log",
        "rebounds-lead-by-two/log.jsonl"
    )]
    [InlineData("--players: each player is named once", "rotate", "--card", "rotate-two-lines-swap/card.json", "--players", "A,A")]
    [InlineData(
        "--players: 1 of 4 find no place",
        "rotate",
        "--card",
        "rotate-shooter-feeder-rebounder/card.json",
        "--players",
        "A,B,C,D"
    )]
    [InlineData(
        "--stage: the card has no stage 3",
        "rotate",
        "--card",
        "rotate-two-lines-swap/card.json",
        "--players",
        "A",
        "--stage",
        "3"
    )]
    [InlineData("tally: ", "juggle")]
    public void What_cannot_be_used_is_said_in_one_line(string expected, params string[] args) => AssertRefused(expected, args);

    private static void AssertRefused(string expected, params string[] args)
    {
        var (exit, output, error) = Tally.Run(args);

        Assert.Equal((2, ""), (exit, output));
        Assert.Contains(expected, error, StringComparison.Ordinal);
        Assert.Single(error.TrimEnd().Split('\n'));
    }
}
