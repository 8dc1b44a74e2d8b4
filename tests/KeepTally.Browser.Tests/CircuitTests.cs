using System.Text.Json.Nodes;

namespace KeepTally.Browser.Tests;

/// <summary>
/// A circuit of two stations for three groups, so that one rests; work is from 5 to 15, 20 to 30 and 35 to 45 seconds.
/// </summary>
[Collection("bridge")]
public sealed class CircuitTests
{
    public CircuitTests() =>
        Screen.Open(
            Screen.Circuit(
                ["minute-trios", "three-gates"],
                [
                    ["Ada", "Bea", "Cleo"],
                    ["Dora", "Esme", "Freya"],
                    ["Greta", "Hana", "Iris"],
                ],
                "Nell"
            )
        );

    private static string[] Round(double seconds) =>
        [
            .. Screen.View(seconds)["run"]!["round"]!
                .AsArray()
                .Select(group =>
                    $"{group!["letter"]} {group["here"]} to {group["next"]}{((bool)group["moving"]! ? ", on the way" : "")}"
                ),
        ];

    private static void At(double seconds) => Screen.Due(seconds);

    /// <summary>The sheets that can be tapped now.</summary>
    private static string[] Open(double seconds) =>
        [.. Screen.View(seconds)["run"]!["sheets"]!.AsArray().OfType<JsonNode>().Select(sheet => (string)sheet["id"]!)];

    [Fact]
    public void Each_group_reads_its_station_and_the_next_by_number_and_a_rest_by_its_name()
    {
        Screen.Say("start", 0);
        At(10);
        Assert.Equal(["A 1 Minute trios to 2 Three gates", "B 2 Three gates to rest", "C rest to 1 Minute trios"], Round(10));
        Assert.Equal(["1A", "1B"], Open(10));

        At(17);
        Assert.Equal(
            [
                "A 1 Minute trios to 2 Three gates, on the way",
                "B 2 Three gates to rest, on the way",
                "C rest to 1 Minute trios, on the way",
            ],
            Round(17)
        );

        At(36);
        Assert.Equal(["A rest to ", "B 1 Minute trios to ", "C 2 Three gates to "], Round(36));
        Assert.Equal(["3B", "3C"], Open(36));
    }

    [Fact]
    public void On_the_way_the_last_ball_counts_and_the_places_left_behind_are_nobodys()
    {
        Screen.Say("start", 0);
        At(10);
        Assert.NotEmpty(Screen.People(Screen.Sheet(1, 10)));
        Assert.True((bool)Screen.View(10)["run"]!["canMove"]!);

        At(17);
        Screen.Tap("1A", "Ada", "clean", 17);
        Assert.Equal("2", (string)Screen.Sheet(1, 17)["rows"]![0]!["score"]!);
        Assert.Empty(Screen.People(Screen.Sheet(1, 17)));
        Assert.False((bool)Screen.View(17)["run"]!["canMove"]!);
        Assert.Empty(Screen.Say("rotate", 17)["events"]!.AsArray());
    }

    [Fact]
    public void One_goes_off_in_mid_circuit_and_a_late_one_goes_round_in_the_place()
    {
        Screen.Say("start", 0);
        At(10);
        Screen.Change("Ada", null, 11);
        Screen.Change(null, "Nell", 12);

        Assert.Equal("Bea, Cleo, Nell", (string)Screen.View(12)["run"]!["round"]![0]!["players"]!);
        At(21);
        Assert.Equal("Bea, Cleo, Nell", (string)Screen.View(21)["run"]!["round"]![0]!["players"]!);
        Assert.Equal(
            ["Bea", "Cleo", "Nell"],
            Screen.View(21)["run"]!["sheets"]!.AsArray().OfType<JsonNode>().First()["rows"]!
                .AsArray()
                .Select(row => (string)row!["name"]!)
        );
    }

    [Fact]
    public void Who_may_not_do_a_stations_drill_goes_round_with_the_group_all_the_same()
    {
        var run = Screen.Circuit(
            ["minute-trios", "three-gates"],
            [
                ["Ada", "Bea", "Cleo"],
                ["Dora", "Esme"],
            ]
        );
        var without = Screen.Sheet("1A", "Minute trios", "minute-trios", ["Bea", "Cleo"], []);
        Screen.Open(
            run with
            {
                Sheets = [.. run.Sheets.Select(sheet => sheet.Id == "1A" ? sheet with { Head = without.Head } : sheet)],
            }
        );

        Assert.Equal("Bea, Cleo, Ada", (string)Screen.View(0)["run"]!["round"]![0]!["players"]!);
        var who = Screen.Who(0);
        Assert.Empty(who["bench"]!.AsArray());
        var ada = who["groups"]![0]!["players"]!.AsArray().Single(player => (string)player!["name"]! == "Ada")!;
        Assert.Equal("not at this station", (string)ada["goes"]!);
    }
}
