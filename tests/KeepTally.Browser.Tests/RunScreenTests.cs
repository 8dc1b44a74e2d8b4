namespace KeepTally.Browser.Tests;

/// <summary>What a coach reads on the run screen, and what comes of a touch.</summary>
[Collection("bridge")]
public sealed class RunScreenTests
{
    public RunScreenTests() =>
        Screen.Open(
            Screen.Drill(
                "minute-trios",
                [
                    ["Ada Fenwick", "Bea Marlowe", "Cleo Hart"],
                    ["Dora Quill", "Ada Marsh", "Esme Thorn"],
                ],
                "Nell Crane"
            ),
            Screen.Drill(
                "three-gates",
                [
                    ["Ada Fenwick", "Bea Marlowe"],
                    ["Dora Quill", "Ada Marsh"],
                ],
                "Nell Crane"
            )
        );

    [Fact]
    public void Before_the_start_it_asks_whether_everyone_is_in_place()
    {
        var view = Screen.View(0);

        Assert.Equal(("start", "Start"), ((string)view["run"]!["primary"]!, (string)view["run"]!["primaryLabel"]!));
        Assert.Contains("in place", (string)view["run"]!["prompt"]!, StringComparison.Ordinal);
        Assert.Equal("1:00", (string)view["run"]!["clock"]!["left"]!);
    }

    [Fact]
    public void Before_the_start_a_group_with_too_few_is_named()
    {
        Assert.DoesNotContain("Only", (string)Screen.View(0)["run"]!["prompt"]!, StringComparison.Ordinal);
        Screen.Change("Bea Marlowe", null, 0);

        Assert.StartsWith(
            "Only Ada F and Cleo in A; Minute trios takes three.",
            (string)Screen.View(1)["run"]!["prompt"]!,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_tap_counts_says_why_and_is_taken_back()
    {
        Screen.Say("start", 0);
        var said = Screen.Tap("minute-trios-A", "Ada Fenwick", "clean", 10);

        Assert.Equal("2 to Ada F, now 2.", (string)said["why"]!);
        Assert.Null(said["refused"]);
        Assert.Equal("2", (string)Screen.Sheet(0, 10)["rows"]![0]!["score"]!);
        Assert.Equal("Ada F · Clean", (string)Screen.View(10)["run"]!["last"]!["text"]!);

        Screen.Undo(said, 11);
        Assert.Equal("0", (string)Screen.Sheet(0, 11)["rows"]![0]!["score"]!);
        Assert.Null(Screen.View(11)["run"]!["last"]);
    }

    [Fact]
    public void Undo_means_this_devices_last_tap_and_asks_before_it_takes_back_anothers()
    {
        Screen.Say("start", 0);
        const string sheet = "minute-trios-A";
        Screen.Hear(sheet, """{"device":"other","n":1,"at":9000,"type":"tap","unit":"bea-marlowe","outcome":"goal"}""");
        Assert.Equal(("Bea · Goal", "Other device"), Last(10));

        Screen.Tap(sheet, "Ada Fenwick", "clean", 11);
        Screen.Hear(sheet, """{"device":"other","n":2,"at":12000,"type":"tap","unit":"cleo-hart","outcome":"goal"}""");
        Assert.Equal(("Ada F · Clean", ""), Last(13));

        static (string, string) Last(double seconds)
        {
            var last = Screen.View(seconds)["run"]!["last"]!;
            return ((string)last["text"]!, (string)last["ask"]!);
        }
    }

    [Fact]
    public void Who_came_in_in_the_drill_before_is_not_sent_off_again_unasked()
    {
        Screen.Say("start", 0);
        Screen.Change(null, "Nell Crane", 5);
        Assert.Equal("", (string)Screen.View(6)["run"]!["last"]!["ask"]!);

        Screen.Say("end", 20);
        Assert.Equal("Earlier drill", (string)Screen.View(21)["run"]!["last"]!["ask"]!);
    }

    [Fact]
    public void A_glance_shows_the_score_and_the_look_after_it_the_rest()
    {
        Screen.Say("start", 0);
        Bridge.Look(1000);
        Screen.Tap("minute-trios-A", "Ada Fenwick", "clean", 10);
        var glance = Bridge.Glance(10_000);
        var look = Bridge.Look(10_030);

        Assert.Contains("\"score\":\"2\"", glance, StringComparison.Ordinal);
        Assert.DoesNotContain("taps", glance, StringComparison.Ordinal);
        Assert.Contains("Ada F \u00b7 Clean", System.Text.RegularExpressions.Regex.Unescape(look), StringComparison.Ordinal);
        Assert.DoesNotContain("\"score\"", look, StringComparison.Ordinal);
        Assert.Equal("2", (string)Screen.Sheet(0, 11)["rows"]![0]!["score"]!);
    }

    [Fact]
    public void Two_of_one_name_are_told_apart_wherever_they_stand()
    {
        Assert.Equal(
            ["Ada F shooter to rebounder", "Bea rebounder to feeder", "Cleo feeder to shooter"],
            Screen.People(Screen.Sheet(0, 0)).Order()
        );
        Assert.Contains("Ada M rebounder to feeder", Screen.People(Screen.Sheet(1, 0)));
    }

    [Fact]
    public void While_places_move_on_everyone_reads_where_from_and_where_to()
    {
        Screen.Say("start", 0);
        Screen.Due(66);
        var people = Screen.Sheet(0, 66)["people"]!.AsArray();

        Assert.All(people, person => Assert.True((bool)person!["moving"]!));
        Assert.Contains("Ada F shooter to rebounder", Screen.People(Screen.Sheet(0, 66)));
        Assert.Equal("change", (string)Screen.View(66)["run"]!["clock"]!["state"]!);
        Assert.Contains("Everyone moves on", (string)Screen.View(66)["run"]!["prompt"]!, StringComparison.Ordinal);

        // The last ball of the round is still the old shooter's.
        Assert.Equal("Ada Fenwick", (string)Screen.Sheet(0, 66)["rows"]![0]!["name"]!);
        Screen.Due(80);
        Assert.Equal("Cleo Hart", (string)Screen.Sheet(0, 80)["rows"]![0]!["name"]!);
    }

    [Fact]
    public void What_the_clock_calls_for_is_said_once_by_the_clocks_own_name()
    {
        Screen.Say("start", 0);
        Assert.Empty(Screen.Due(74));
        var due = Screen.Due(85);

        Assert.Equal(2, due.Count);
        Assert.All(due, said => Assert.Equal("clock", (string)said!["device"]!));
        Assert.Empty(Screen.Due(86));
    }

    [Fact]
    public void An_undo_says_what_it_took_back_and_what_it_put_back()
    {
        Screen.Say("start", 0);
        var tap = Screen.Tap("minute-trios-A", "Ada Fenwick", "goal", 9);

        Assert.Equal("Undone: Ada F · Goal.", (string)Screen.Undo(tap, 10)["why"]!);
        Assert.Equal("Restored: Ada F · Goal.", (string)Screen.Undo(tap, 11)["why"]!);
    }

    [Fact]
    public void A_drill_that_outruns_its_block_says_so_as_it_happens()
    {
        var gates = Screen.Drill(
            "three-gates",
            [
                ["Ada Fenwick", "Bea Marlowe"],
            ]
        );
        Screen.Open(gates with { Minutes = 2 });
        Screen.Say("start", 0);

        // Teaching stops take the time of the block as well.
        Screen.Say("freeze", 30, "spacing");
        Screen.Say("resume", 100);
        Assert.Equal("", (string)Screen.View(119)["run"]!["prompt"]!);
        Assert.Equal("Past its 2 minutes.", (string)Screen.View(121)["run"]!["prompt"]!);
        Assert.Equal("Three minutes past its 2 minutes.", (string)Screen.View(301)["run"]!["prompt"]!);
    }

    [Fact]
    public void What_is_heard_twice_counts_once()
    {
        Screen.Say("start", 0);
        const string make = """{"device":"other","n":1,"at":9000,"type":"tap","unit":"ada-fenwick","outcome":"goal"}""";

        Assert.Equal("", Screen.Hear("minute-trios-A", make));
        Assert.Equal("", Screen.Hear("minute-trios-A", make));
        Assert.Equal("1", (string)Screen.Sheet(0, 9)["rows"]![0]!["score"]!);
    }

    [Fact]
    public void Of_what_two_devices_said_of_the_clock_that_on_record_stands()
    {
        Screen.Say("start", 0);
        Screen.Due(81);
        const string later = """{"device":"clock","n":2,"at":81500,"type":"rotate"}""";
        var sheet = Screen.Sheet(0, 82);

        Assert.Equal("", Screen.Hear("minute-trios-A", later));

        Assert.Equal(Screen.People(sheet), Screen.People(Screen.Sheet(0, 82)));
        // What is refused afterwards is no longer here to be removed.
        Bridge.Retract("minute-trios-A", later.Replace("81500", "80000", StringComparison.Ordinal));
        Assert.Equal(Screen.People(sheet), Screen.People(Screen.Sheet(0, 82)));
    }

    [Fact]
    public void What_the_server_refused_counts_no_more()
    {
        Screen.Say("start", 0);
        var said = Screen.Tap("minute-trios-A", "Ada Fenwick", "goal", 9)["events"]![0]!;
        Assert.Equal("1", (string)Screen.Sheet(0, 9)["rows"]![0]!["score"]!);
        Assert.Equal("Ada F · Goal", Bridge.Describe("minute-trios-A", (string)said["line"]!));

        Bridge.Retract("minute-trios-A", (string)said["line"]!);

        Assert.Equal("0", (string)Screen.Sheet(0, 9)["rows"]![0]!["score"]!);
    }

    [Fact]
    public void What_cannot_be_said_is_said_to_be_so()
    {
        Assert.Contains("is not a command", (string)Screen.Say("dance", 0)["refused"]!, StringComparison.Ordinal);
        Assert.Contains("no sheet", (string)Screen.Tap("nowhere", "Ada Fenwick", "goal", 0)["refused"]!, StringComparison.Ordinal);
        Assert.NotEqual("", Screen.Hear("minute-trios-A", """{"device":"x","n":1,"at":0,"type":"tap","outcome":"own goal"}"""));
        Assert.NotEqual("", Bridge.Receive("minute-trios-A", "x", 9, "{"));
    }

    [Fact]
    public void The_calls_of_the_last_seconds_and_the_horn_come_when_they_are_due()
    {
        Screen.Say("start", 0);
        var signals = Screen.Signals(54.5, 60.5);

        Assert.Equal(
            ["call 5 500", "call 4 1500", "call 3 2500", "call 2 3500", "call 1 4500", "horn  5500"],
            signals.Select(each => $"{each!["kind"]} {each["said"]} {each["in"]}")
        );
        Screen.Say("pause", 55);
        Assert.Empty(Screen.Signals(55, 62));
    }

    [Fact]
    public void The_time_left_is_called_and_drawn_at_seconds_of_ones_own()
    {
        Assert.Equal("", Bridge.CallAt("45 15"));
        Screen.Say("start", 0);
        Assert.Equal(["45 seconds", "15 seconds", ""], Screen.Signals(1, 61).Select(each => (string)each!["said"]!));
        Assert.Equal([0.75, 0.25], Screen.View(1)["run"]!["clock"]!["notches"]!.AsArray().Select(each => (double)each!));
        Assert.Contains("\"x\"", Bridge.CallAt("x"), StringComparison.Ordinal);
        Assert.Equal("", Bridge.CallAt(""));
    }

    [Fact]
    public void Signals_asked_for_far_ahead_are_those_that_come()
    {
        Screen.Say("start", 0);
        var far = Screen.Signals(0, 90).Select(each => (string)each!["kind"]! + (double)each["in"]!).ToArray();
        var near = Enumerable
            .Range(0, 90)
            .SelectMany(second =>
                Screen.Signals(second, second + 1).Select(each => (string)each!["kind"]! + ((double)each["in"]! + (second * 1000)))
            );

        Assert.Equal(near, far);
    }

    [Fact]
    public void A_tap_is_put_right_and_how_it_was_first_stays_beside_it()
    {
        Screen.Say("start", 0);
        var said = Screen.Tap("minute-trios-A", "Ada Fenwick", "clean", 10);
        var of = said["events"]![0]!;
        var view = Screen.Amendable(of)!;
        Assert.Equal(
            ["Ada F", "Bea", "Cleo", "B Dora", "B Ada M", "B Esme"],
            view["units"]!.AsArray().Select(each => (string)each!["name"]!)
        );
        Assert.Equal("clean", (string)view["outcomes"]!.AsArray().Single(each => (bool)each!["on"]!)!["id"]!);

        Assert.Equal("Changed: Bea · Clean.", (string)Screen.Amend(of, 12, unit: "Bea Marlowe")["why"]!);
        var line = Screen.View(12)["run"]!["taps"]![0]!;
        Assert.Equal(("Bea · Clean", "was Ada F · Clean"), ((string)line["text"]!, (string)line["note"]!));
        Assert.Equal("0", (string)Screen.Sheet(0, 12)["rows"]![0]!["score"]!);

        Screen.Amend(of, 14, unit: "Cleo Hart");
        Assert.Equal("Cleo · Clean", (string)Screen.View(14)["run"]!["taps"]![0]!["text"]!);
        Screen.Undo(said, 15);
        Assert.Null(Screen.Amendable(of));

        var late = Screen.Tap("minute-trios-A", "Ada Fenwick", "clean", 400)["events"]![0]!;
        Screen.Amend(late, 401, unit: "Bea Marlowe");
        Assert.Contains("was Ada F · Clean", (string)Screen.View(402)["run"]!["taps"]![0]!["note"]!, StringComparison.Ordinal);
    }

    [Fact]
    public void The_clock_can_be_told_what_makes_sense_now_and_nothing_else()
    {
        Assert.Equal(("", "", false), Moves(0));
        Screen.Say("start", 0);
        Assert.Equal(("Stop the work now", "This round again from its start", true), Moves(20));
        Screen.Say("skip", 20);
        Assert.Equal(("Begin the work now", "The same round again", false), Moves(21));
        Assert.Equal("Work stopped by the coach", (string)Screen.View(21)["run"]!["taps"]![0]!["text"]!);
        Screen.Say("skip", 22);
        Assert.Equal(("Work", "1:00"), Clock(22));
        Screen.Due(23);
        // Said to both groups, with what the clock says of each in between: one line all the same.
        Assert.Single(Screen.View(23)["run"]!["taps"]!.AsArray(), line => (string)line!["text"]! == "Work started by the coach");
        Screen.Say("take", 30);
        Assert.Equal(("Work", "0:32"), Clock(30));
        Assert.Equal(("Work", "0:31"), Clock(31));
        Screen.Say("another", 31);
        Assert.Equal("Round 2 of 4", (string)Screen.View(31)["run"]!["clock"]!["round"]!);

        static (string Skip, string Repeat, bool Take) Moves(double second)
        {
            var moves = Screen.View(second)["run"]!["moves"]!;
            return ((string)moves["skip"]!, (string)moves["repeat"]!, (bool)moves["take"]!);
        }

        static (string Word, string Left) Clock(double second)
        {
            var clock = Screen.View(second)["run"]!["clock"]!;
            return ((string)clock["word"]!, (string)clock["left"]!);
        }
    }

    [Fact]
    public void What_is_written_down_is_listed_and_an_empty_note_is_refused()
    {
        Screen.Note("keeps her eyes up", "Ada Fenwick", 4);
        Screen.Note("half the court next time", "", 5);

        Assert.Equal(
            ["Note: half the court next time", "Ada F: keeps her eyes up"],
            Screen.View(6)["run"]!["taps"]!.AsArray().Select(line => (string)line!["text"]!)
        );
        Assert.NotNull(Screen.Note("  ", "", 6)["refused"]);
    }

    [Fact]
    public void A_teaching_stop_gives_its_reason_and_the_clock_stands()
    {
        Screen.Say("start", 0);
        Screen.Say("freeze", 20, "spacing");
        var clock = Screen.View(50)["run"]!["clock"]!;

        Assert.Equal(
            ("paused", "Teaching stop: spacing", "0:40"),
            ((string)clock["state"]!, (string)clock["word"]!, (string)clock["left"]!)
        );
    }

    [Fact]
    public void The_drill_ended_the_next_is_ready_and_one_can_go_back_until_it_has_begun()
    {
        Screen.Say("start", 0);
        Screen.Say("end", 30);
        Assert.Equal(1, (int)Screen.View(31)["block"]!);
        Assert.True((bool)Screen.View(31)["canGoBack"]!);

        Screen.Say("back", 32);
        Assert.Equal(0, (int)Screen.View(32)["block"]!);

        Screen.Say("end", 33);
        Screen.Say("start", 34);
        Assert.False((bool)Screen.View(35)["canGoBack"]!);
        Screen.Say("end", 36);
        Assert.True((bool)Screen.View(37)["over"]!);
        Assert.Equal("", Bridge.Clock(37_000));
    }

    [Fact]
    public void A_practice_that_cannot_be_read_says_which_drill_and_why() =>
        Assert.StartsWith(
            "Broken: ",
            Bridge.Open(
                """{"runs":[{"name":"Broken","card":"{}","sheets":[{"id":"s","name":"","head":"{}","events":[]}]}]}""",
                "me",
                ""
            ),
            StringComparison.Ordinal
        );
}
