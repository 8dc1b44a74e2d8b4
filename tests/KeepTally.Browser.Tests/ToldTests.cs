using System.Text.Json.Nodes;

namespace KeepTally.Browser.Tests;

/// <summary>What the pad and the board tell besides the score: bests, marks, own counts, cues.</summary>
[Collection("bridge")]
public sealed class ToldTests
{
    private const string Trios = "minute-trios-A";
    private const string Gates = "three-gates-A";

    private static readonly string[][] Group =
    [
        ["Ada", "Bea", "Cleo"],
    ];

    private static void Open(RunFile drill) => Screen.Open(drill);

    private static RunFile WithBests(RunFile drill, double own, double squad) =>
        drill with
        {
            Sheets =
            [
                .. drill.Sheets.Select(sheet =>
                    sheet with
                    {
                        Bests = new BestsFile(new Dictionary<string, double> { ["ada"] = own }, squad),
                    }
                ),
            ],
        };

    private static string Detail(double seconds) => (string)Screen.Sheet(0, seconds)["rows"]![0]!["detail"]!;

    [Fact]
    public void A_best_is_told_on_the_pad_and_marked_once_when_it_is_beaten()
    {
        Open(WithBests(Screen.Drill("minute-trios", Group), own: 3, squad: 6));
        Screen.Say("start", 0);
        Assert.Contains("best 3", Detail(6), StringComparison.Ordinal);
        Assert.Equal("", (string)Screen.Tap(Trios, "Ada", "clean", 6)["mark"]!);
        Assert.Equal("best", (string)Screen.Tap(Trios, "Ada", "clean", 7)["mark"]!);
        Assert.Contains("new best", Detail(7), StringComparison.Ordinal);
        Assert.Equal("", (string)Screen.Tap(Trios, "Ada", "clean", 8)["mark"]!);
        Assert.Equal("best", (string)Screen.Tap(Trios, "Ada", "goal", 9)["mark"]!);
        Assert.Contains("best of the squad", Detail(9), StringComparison.Ordinal);
    }

    [Fact]
    public void The_best_of_before_gives_way_to_a_run_that_is_on()
    {
        Open(WithBests(Screen.Drill("minute-trios", Group), own: 9, squad: 20));
        Screen.Say("start", 0);
        Screen.Tap(Trios, "Ada", "clean", 6);
        Assert.Equal("1 of 1 · best 9", Detail(6));
        Screen.Tap(Trios, "Ada", "clean", 7);
        Assert.Equal("2 of 2", Detail(7));
        Assert.Equal("2 in a row", (string)Screen.Sheet(0, 8)["rows"]![0]!["streak"]!);
        Screen.Tap(Trios, "Ada", "miss", 8);
        Assert.Equal("2 of 3 · best 9", Detail(9));
    }

    [Fact]
    public void A_gate_passed_and_a_tap_too_late_are_marked()
    {
        Open(Screen.Drill("three-gates", Group));
        Assert.Equal("late", (string)Screen.Tap(Gates, "Ada", "make", 0)["mark"]!);
        Screen.Say("start", 1);
        var marks = Enumerable.Range(2, 5).Select(second => (string)Screen.Tap(Gates, "Ada", "make", second)["mark"]!);
        Assert.Equal(["", "", "", "", "gate"], marks);
    }

    [Fact]
    public void The_board_has_the_scores_by_call_name()
    {
        Open(Screen.Drill("minute-trios", Group));
        Screen.Say("start", 0);
        Screen.Tap(Trios, "Ada", "clean", 6);
        var scores = Screen.Boards(7)[0]!["scores"]!.AsArray();
        Assert.Equal(["Ada 2", "Bea 0", "Cleo 0"], scores.Select(each => $"{each!["name"]} {each["figure"]}"));
        Assert.True((bool)scores[0]!["leads"]!);
        Assert.Contains("<b>2</b>", (string)Screen.Boards(7)[0]!["picture"]!, StringComparison.Ordinal);
    }

    [Fact]
    public void The_board_draws_the_lead_of_a_match_from_the_second_change_of_the_score_on()
    {
        const string Match = "win-it-score-it";
        Open(Screen.Match(Match, ["Ada", "Bea"], ["Cleo", "Dora"]));
        string Picture(double seconds) => (string)Screen.Boards(seconds)[0]!["picture"]!;
        Screen.Say("start", 0);
        Screen.Tap(Match, "plain", "goal", 20);
        Assert.DoesNotContain("chart-lead", Picture(21), StringComparison.Ordinal);
        Screen.Tap(Match, "striped", "won-goal", 40);
        Assert.Contains(
            "The lead changed hands once: plain was ahead by 1 at most, striped by 1.",
            Picture(41),
            StringComparison.Ordinal
        );
        Screen.Heard(Bridge.Undo(Match, "me", 1, 45_000));
        Assert.DoesNotContain("chart-lead", Picture(46), StringComparison.Ordinal);
    }

    [Fact]
    public void A_board_without_scores_says_nothing_of_who_leads_or_won()
    {
        const string Match = "win-it-score-it";
        Screen.OpenWith(new { hidesScores = true, runs = new[] { Screen.Match(Match, ["Ada", "Bea"], ["Cleo", "Dora"]) } });
        Screen.Say("start", 0);
        Screen.Tap(Match, "plain", "goal", 20);
        Screen.Tap(Match, "striped", "won-goal", 40);
        var board = Screen.Boards(41)[0]!;
        Assert.Empty(board["scores"]!.AsArray());
        Assert.DoesNotContain("chart-lead", (string)board["picture"]!, StringComparison.Ordinal);
        var prompt = (string)Screen.View(500)["run"]!["prompt"]!;
        Assert.Contains("Time.", prompt, StringComparison.Ordinal);
        Assert.DoesNotContain("triped", prompt, StringComparison.Ordinal);
        Screen.Say("end", 501);
        Assert.Equal("", (string)Screen.View(502)["result"]!);
    }

    [Fact]
    public void Own_counts_are_put_in_by_round_and_stand_beside_the_score()
    {
        Open(Screen.Drill("minute-trios", Group));
        Assert.Empty(Parsed(Bridge.OwnCounts(0))["units"]!.AsArray());
        Screen.Say("start", 0);
        Assert.Null(Screen.Heard(Bridge.Count(Trios, "ada", 8, 10_000))["refused"]);
        Assert.Contains("own count 8", Detail(11), StringComparison.Ordinal);
        Assert.Equal("0", (string)Screen.Sheet(0, 11)["rows"]![0]!["score"]!);
        Assert.Equal([8, null, null], Parsed(Bridge.OwnCounts(12_000))["units"]!.AsArray().Select(unit => (int?)unit!["count"]));
        // The next round asks anew.
        Assert.Equal([null, null, null], Parsed(Bridge.OwnCounts(80_000))["units"]!.AsArray().Select(unit => (int?)unit!["count"]));
    }

    [Fact]
    public void A_cue_stands_while_there_is_time_to_say_it()
    {
        Open(Screen.Drill("minute-trios", Group));
        Screen.Heard(Bridge.Cue("Long arms", "", 0));
        Screen.Heard(Bridge.Cue("Elbow up", "ada", 0));
        string Prompt(double seconds) => (string)Screen.View(seconds)["run"]!["prompt"]!;
        Assert.Contains("Say: “Long arms”", Prompt(1), StringComparison.Ordinal);
        Assert.Contains("“Elbow up”", Detail(1), StringComparison.Ordinal);
        Screen.Say("start", 2);
        Assert.DoesNotContain("Long arms", Prompt(10), StringComparison.Ordinal);
        Assert.Contains("Long arms", Prompt(70), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_to_be_called_next_stands_with_whose_go_it_is()
    {
        Open(Screen.Drill("beat-the-minute", Group));
        Screen.Say("start", 0);
        Assert.Contains((string)Screen.Sheet(0, 6)["rows"]![0]!["asked"]!, new[] { "step in", "step back" });
    }

    [Fact]
    public void A_note_is_of_the_drill_of_a_player_or_of_the_practice()
    {
        Open(Screen.Drill("minute-trios", Group));
        Screen.Heard(Bridge.Note("Hall was cold", "*", 0));
        Screen.Heard(Bridge.Note("Shorter next time", "", 1));
        Screen.Heard(Bridge.Note("Good feet", "ada", 2));
        Assert.Equal(
            ["Ada: Good feet", "Note: Shorter next time", "Practice: Hall was cold"],
            Screen.View(3)["run"]!["taps"]!.AsArray().Select(tap => (string)tap!["text"]!)
        );
    }

    private static JsonNode Parsed(string json) => JsonNode.Parse(json)!;
}
