using System.Text.Json.Nodes;

namespace KeepTally.Browser.Tests;

/// <summary>Who comes and goes on the run screen, and where everyone stands on the boards.</summary>
[Collection("bridge")]
public sealed class PeopleTests
{
    public PeopleTests() =>
        Screen.Open(
            Screen.Drill(
                "minute-trios",
                [
                    ["Ada", "Bea", "Cleo"],
                    ["Dora", "Esme", "Freya"],
                ],
                "Nell"
            ),
            Screen.Drill(
                "three-gates",
                [
                    ["Ada", "Bea", "Cleo"],
                    ["Dora", "Esme", "Freya"],
                ],
                "Nell",
                "Ada",
                "Bea",
                "Cleo"
            )
        );

    private static string[] Names(JsonNode people) => [.. people.AsArray().Select(each => (string)each!["name"]!)];

    [Fact]
    public void Who_is_on_stands_by_group_with_the_goes_so_far_and_who_is_off_below()
    {
        Screen.Say("start", 0);
        Screen.Due(80);
        var who = Screen.Who(80);

        Assert.Equal(["Group A", "Group B"], Names(who["groups"]!));
        Assert.Equal(["Ada", "Bea", "Cleo"], Names(who["groups"]![0]!["players"]!));
        Assert.Equal("shooter 1:00, rebounder 0:05", (string)who["groups"]![0]!["players"]![0]!["goes"]!);
        Assert.Equal(["Nell"], Names(who["bench"]!));
        Assert.Equal("", (string)who["bench"]![0]!["note"]!);
    }

    [Fact]
    public void One_limps_off_those_behind_move_up_and_a_late_one_takes_the_place()
    {
        Screen.Say("start", 0);
        Screen.Tap("minute-trios-A", "Ada", "clean", 10);
        // The shot is never nobody's: anyone who comes to it next steps in at once, and it is said.
        var gone = Screen.Change("Ada", null, 20);
        Assert.Equal("Cleo is next.", (string)gone["why"]!);
        Assert.Equal("Cleo", (string)Screen.Sheet(0, 20)["rows"]![0]!["name"]!);
        Assert.DoesNotContain(Screen.People(Screen.Sheet(0, 20)), line => line.StartsWith("Ada", StringComparison.Ordinal));

        Screen.Change(null, "Nell", 21, "minute-trios-A");
        Assert.Contains(Screen.People(Screen.Sheet(0, 21)), line => line.StartsWith("Nell feeder", StringComparison.Ordinal));
        Assert.Equal(["Ada"], Names(Screen.Who(21)["bench"]!));

        // Back again, she still has her points, and in the next drill both are there.
        Screen.Change("Cleo", "Ada", 22);
        Assert.Equal("2", (string)Screen.Sheet(0, 22)["rows"]![0]!["score"]!);
        Screen.Say("end", 30);
        Assert.Contains("Ada", Screen.Who(31)["groups"]!.ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Two_change_groups_and_the_list_of_taps_says_so_and_takes_it_back()
    {
        var said = Screen.Change("Ada", "Dora", 5);
        Assert.Equal(["Bea", "Cleo", "Dora"], Names(Screen.Who(5)["groups"]![0]!["players"]!));
        Assert.Equal(
            ["Ada in for Dora", "Dora in for Ada"],
            Screen.View(5)["run"]!["taps"]!.AsArray().Select(tap => (string)tap!["text"]!).Order()
        );

        Screen.Undo(said, 6);
        Assert.Equal(["Ada", "Bea", "Cleo"], Names(Screen.Who(6)["groups"]![0]!["players"]!));
    }

    [Fact]
    public void A_board_stands_for_each_group_with_an_arrow_for_everyone_who_goes_elsewhere()
    {
        var boards = Screen.Boards(0);

        Assert.Equal(["A", "B"], Names(boards));
        Assert.Equal(["Rebounder", "Shooter", "Feeder"], Names(boards[0]!["places"]!));
        var bibs = boards[0]!["bibs"]!.AsArray();
        Assert.Equal(["A", "B", "C"], bibs.Select(bib => (string)bib!["letters"]!));
        Assert.All(bibs, bib => Assert.StartsWith("M", (string)bib!["arrow"]!, StringComparison.Ordinal));
        Assert.Equal([0, 1], boards.Select(board => (int)board!["bibs"]![0]!["pattern"]!));
    }

    [Fact]
    public void While_places_move_on_the_bibs_walk_from_the_old_place_to_the_new_one()
    {
        Screen.Say("start", 0);
        var before = Seats(Screen.Boards(30), "x", "y");
        Screen.Due(66);
        var moving = Screen.Boards(66);

        Assert.True((bool)moving[0]!["moving"]!);
        Assert.Equal(before, Seats(moving, "x", "y"));
        Screen.Due(80);
        Assert.Equal(Seats(Screen.Boards(80), "x", "y"), Seats(moving, "toX", "toY"));
    }

    private static string[] Seats(JsonArray boards, string x, string y) =>
        [.. boards[0]!["bibs"]!.AsArray().Select(bib => $"{bib!["id"]} {bib[x]} {bib[y]}")];

    [Fact]
    public void A_player_who_is_kept_from_a_drill_is_told_to_be_and_why_in_the_coachs_own_words()
    {
        var runs = new[]
        {
            Screen.Drill(
                "minute-trios",
                [
                    ["Ada", "Bea", "Cleo"],
                ]
            ),
            Screen.Drill(
                "habit-pairs",
                [
                    ["Ada", "Dora"],
                ]
            ),
        };
        Screen.OpenWith(new { runs, limits = new Dictionary<string, int> { ["dora"] = 1 } });

        var kept = Screen.Who(0)["bench"]!.AsArray().Single(each => (string)each!["name"]! == "Dora")!;
        Assert.Equal("not in this drill: no throwing today", (string)kept["note"]!);
    }

    [Fact]
    public void What_is_counted_all_practice_long_goes_on_from_drill_to_drill()
    {
        Screen.OpenWith(
            new
            {
                runs = new[]
                {
                    Screen.Drill(
                        "minute-trios",
                        [
                            ["Ada", "Bea", "Cleo"],
                        ]
                    ),
                    Screen.Drill(
                        "habit-pairs",
                        [
                            ["Ada", "Bea"],
                        ]
                    ),
                },
                habits = new[] { "Loose ball" },
            }
        );
        var first = Screen.Heard(Bridge.See("Loose ball", "ada", 1000));
        Screen.Heard(Bridge.See("Loose ball", "", 2000));
        Screen.Say("end", 3);
        Screen.Heard(Bridge.See("Loose ball", "ada", 4000));

        Assert.Equal(3, (int)Screen.View(5)["run"]!["habits"]![0]!);
        var seen = JsonNode.Parse(Bridge.Habits())![0]!;
        Assert.Equal(["Ada 2", "Bea 0"], seen["players"]!.AsArray().Select(player => $"{player!["name"]} {player["count"]}"));
        Assert.Equal("Ada · Loose ball", (string)Screen.View(5)["run"]!["last"]!["text"]!);
        Screen.Undo(first, 6);
        Assert.Equal(2, (int)Screen.View(6)["run"]!["habits"]![0]!);
    }

    [Fact]
    public void A_habit_that_is_tapped_and_then_named_counts_once()
    {
        Screen.OpenWith(
            new
            {
                runs = new[]
                {
                    Screen.Drill(
                        "habit-pairs",
                        [
                            ["Ada", "Bea"],
                        ]
                    ),
                },
                habits = new[] { "Loose ball" },
            }
        );
        Screen.Heard(Bridge.See("Loose ball", "", 2000));
        Screen.Heard(Bridge.See("Loose ball", "ada", 5000));
        Assert.Equal(1, (int)Screen.View(6)["run"]!["habits"]![0]!);

        // Long after, it is another one.
        Screen.Heard(Bridge.See("Loose ball", "", 20_000));
        Screen.Heard(Bridge.See("Loose ball", "bea", 60_000));
        Assert.Equal(3, (int)Screen.View(61)["run"]!["habits"]![0]!);
    }

    /// <summary>How many of each side are at work is told as it is, anyone who goes or comes.</summary>
    [Fact]
    public void How_many_play_on_each_side_follows_who_is_there()
    {
        Screen.Open(Screen.Match("three-a-side", ["Ada", "Bea", "Cleo"], ["Dora", "Esme", "Freya"], "Nell"));
        Assert.Equal("3 v 3", (string)Screen.Sheet(0, 0)["versus"]!);

        Screen.Say("start", 0);
        Screen.Change("Freya", null, 20);
        Assert.Equal("3 v 2", (string)Screen.Sheet(0, 20)["versus"]!);

        Screen.Say("end", 30);
        Assert.DoesNotContain(Screen.View(31).ToJsonString(), "\"versus\":\"3", StringComparison.Ordinal);
    }
}
