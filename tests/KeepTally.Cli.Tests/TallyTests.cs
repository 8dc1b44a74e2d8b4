using System.Text.Json;

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
    public void Plan_prints_the_arithmetic_of_a_timing_sheet()
    {
        var (exit, output, error) = Tally.Run(
            "plan",
            "--plan",
            "plan-ninety-minutes/plan.json",
            "--cards",
            "plan-ninety-minutes/cards"
        );

        using var printed = JsonDocument.Parse(output);
        Assert.Equal((0, ""), (exit, error));
        Assert.Equal("18:17:00", printed.RootElement.GetProperty("end").GetString());
        Assert.Equal(5, printed.RootElement.GetProperty("warnings").GetArrayLength());
    }

    [Theory]
    [InlineData("{\"format\":\"keep-tally/plan@1\"}", "start: this is missing")]
    [InlineData(
        """{"format":"keep-tally/plan@1","start":"17:30","minutes":60,"players":12,"blocks":[{"drill":"gate","minutes":5,"options":{"stop":"now"}}]}""",
        "blocks[0].options.stop: the card has no such option"
    )]
    [InlineData(
        """{"format":"keep-tally/plan@1","start":"17:30","minutes":60,"players":12,"blocks":[{"drill":"gate","minutes":5,"stage":3}]}""",
        "blocks[0].stage: Gate shots has no stage 3"
    )]
    public void A_broken_timing_sheet_is_told_in_one_line(string text, string fault)
    {
        var file = Path.Combine(_folder, "plan.json");
        File.WriteAllText(file, text);

        var (exit, output, error) = Tally.Run("plan", "--plan", file, "--cards", "plan-ninety-minutes/cards");

        Assert.Equal((2, ""), (exit, output));
        Assert.StartsWith($"{file}: {fault}", error, StringComparison.Ordinal);
        Assert.Single(error.TrimEnd().Split('\n'));
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
    [InlineData("--players: say who plays", "rotate", "--card", "rotate-two-lines-swap/card.json")]
    [InlineData("--sides: the stage has no sides", "rotate", "--card", "rotate-two-lines-swap/card.json", "--sides", "A/B")]
    [InlineData("tally: ", "juggle")]
    public void What_cannot_be_used_is_said_in_one_line(string expected, params string[] args) => AssertRefused(expected, args);

    [Fact]
    public void On_a_card_with_sides_the_next_pair_comes_from_each_sides_own_line()
    {
        var card = Path.Combine(Path.GetTempPath(), $"sides-{Guid.NewGuid():N}.json");
        File.WriteAllText(
            card,
            """
            {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"scores":"side","play":"match","sides":["x","y"],
             "places":[{"id":"x","size":1,"side":"x"},{"id":"y","size":1,"side":"y"},
                       {"id":"xs","kind":"line","side":"x"},{"id":"ys","kind":"line","side":"y"}],
             "moves":[{"from":"x","to":"xs"},{"from":"y","to":"ys"},{"from":"xs","to":"x"},{"from":"ys","to":"y"}],
             "rotate":{"on":"manual"}}]}
            """
        );
        try
        {
            var (exit, output, _) = Tally.Run("rotate", "--card", card, "--sides", "A,B/C,D", "--times", "1");
            Assert.Equal(0, exit);
            Assert.Equal(
                """[{"x":["A"],"y":["C"],"xs":["B"],"ys":["D"]},{"x":["B"],"y":["D"],"xs":["A"],"ys":["C"]}]""",
                output.Trim()
            );
            AssertRefused("write --sides with the players of x and y", "rotate", "--card", card, "--players", "A,B,C,D");
            AssertRefused("the stage has 2 sides (x, y)", "rotate", "--card", card, "--sides", "A,B,C,D");
        }
        finally
        {
            File.Delete(card);
        }
    }

    private static void AssertRefused(string expected, params string[] args)
    {
        var (exit, output, error) = Tally.Run(args);

        Assert.Equal((2, ""), (exit, output));
        Assert.Contains(expected, error, StringComparison.Ordinal);
        Assert.Single(error.TrimEnd().Split('\n'));
    }

    [Theory]
    [InlineData("3", "3", false, "[[0,1,2],[1,2,0],[2,0,1]]")]
    [InlineData("4", "3", false, "[[0,1,2,null],[1,2,null,0],[2,null,0,1],[null,0,1,2]]")]
    [InlineData("3", "3", true, "[[0,1,2],[2,0,1],[1,2,0]]")]
    public void Circuit_prints_the_station_of_each_group_round_by_round(
        string groups,
        string stations,
        bool reverse,
        string printed
    )
    {
        string[] args = ["circuit", "--groups", groups, "--stations", stations, .. reverse ? ["--reverse"] : Array.Empty<string>()];

        Assert.Equal((0, printed, ""), Trimmed(Tally.Run(args)));
    }

    [Fact]
    public void Split_prints_groups_and_keeps_pairs()
    {
        var players = Path.Combine(_folder, "players.txt");
        File.WriteAllText(players, "Ada\nBea\nCleo\nDora\n");
        var history = Path.Combine(_folder, "history.json");
        File.WriteAllText(history, """[[["Ada","Bea"],["Cleo","Dora"]],[["Ada","Cleo"],["Bea","Dora"]]]""");

        Assert.Equal(
            (0, """[["Ada","Cleo"],["Bea","Dora"]]""", ""),
            Trimmed(Tally.Run("split", "--players", players, "--groups", "2"))
        );
        var fresh = Tally.Run(
            "split",
            "--players",
            players,
            "--groups",
            "2",
            "--how",
            "fresh",
            "--seed",
            "7",
            "--history",
            history
        );
        var groups = JsonSerializer.Deserialize<string[][]>(fresh.Out)!;
        Assert.Contains(groups, group => group.Order().SequenceEqual(["Ada", "Dora"]));
        var (exit, output, error) = Tally.Run(
            "split",
            "--players",
            players,
            "--groups",
            "2",
            "--apart",
            "Ada+Bea",
            "--together",
            "Ada+Bea"
        );
        Assert.Equal((2, ""), (exit, output));
        Assert.Contains("kept together and apart at once", error, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("[1]", "a player belongs here")]
    [InlineData("[\"A\",\"A\"]", "stands here twice")]
    [InlineData("[\"A\"", "this is not JSON")]
    public void Players_that_cannot_be_read_are_said_with_their_place(string text, string said)
    {
        var players = Path.Combine(_folder, "players.json");
        File.WriteAllText(players, text);

        var (exit, _, error) = Tally.Run("split", "--players", players, "--groups", "1");

        Assert.Equal(2, exit);
        Assert.Contains(said, error, StringComparison.Ordinal);
    }

    private static (int, string, string) Trimmed((int Exit, string Out, string Error) ran) =>
        (ran.Exit, ran.Out.Trim(), ran.Error.Trim());
}
