using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Loads;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Scoring;

/// <summary>What is said of a result, held to what happened. Source: docs/formats.md, section 2, "Results".</summary>
public sealed class VerdictRuleTests
{
    private const string Match = """ "scores":"side","play":"match","sides":["plain","striped"] """;

    private const string Volley = """
        [{"id":"kill","label":"Kill","result":"success","points":1},{"id":"error","label":"Error","result":"failure"},
         {"id":"block","label":"Block","said":"a block","result":"success","does":["win"]}]
        """;

    private static string Said(Sheet sheet) => VerdictWords.Of(sheet.VerdictAt(sheet.Log.LastAt));

    private static Sheet Played(string stage, string outcomes, params string[] taps)
    {
        var sheet = Given.Started(Given.Card(stage, outcomes), "plain", "striped");
        foreach (var tap in taps)
        {
            Assert.Null(sheet.Tap(tap.Split(':')[0], tap.Split(':')[1]));
        }

        return sheet;
    }

    [Fact]
    public void A_player_who_wins_by_a_block_is_first_whatever_the_points_say()
    {
        var sheet = Played(Match, Volley, "striped:kill", "striped:kill", "plain:block");
        var rows = DrillTable.Rank(sheet.Stage, [new DrillSheet("", sheet.Head, sheet.Units, true, sheet.Now())]);

        Assert.Equal([(1, "plain"), (2, "striped")], rows.Select(row => (row.Rank ?? 0, row.Unit.Id.Value)));
        Assert.Equal("PLAIN won with a block, 0 to 2.", Said(sheet));
    }

    [Fact]
    public void A_run_in_a_match_ends_when_the_other_side_scores_unless_the_card_says_otherwise()
    {
        string[] taps = ["plain:kill", "plain:kill", "striped:kill", "plain:kill"];
        var zero = Played(Match, Volley, taps).Now();
        var hold = Played(Match + """, "streak":{"others":"hold"} """, Volley, taps).Now();

        Assert.Equal((1, 2), (zero.Of("plain").Streak, zero.Of("plain").BestStreak));
        Assert.Equal((3, 3), (hold.Of("plain").Streak, hold.Of("plain").BestStreak));
    }

    [Fact]
    public void A_match_that_is_over_with_as_many_each_is_level_and_one_that_nobody_touched_has_no_winner()
    {
        var level = Played(Match + """, "until":[{"taps":2}] """, Volley, "plain:kill", "striped:kill");
        Assert.Equal("PLAIN and STRIPED level with 1 point.", Said(level));

        var untouched = Given.Started(Given.Card(Match), "plain", "striped");
        untouched.Add(new RunEvent.End(new EventId(new DeviceId("x"), 1), new Instant(9000)));
        Assert.Equal("Nobody had a go.", Said(untouched));
    }

    [Fact]
    public void Of_fourteen_who_were_to_play_the_only_one_who_had_a_go_is_named_and_nobody_else_met_the_par()
    {
        var card = Given.Card(""" "play":"together","par":{"by":"points","value":0} """);
        var sheet = Given.Started(card, [.. Enumerable.Range(1, 14).Select(n => $"p{n}")]);
        sheet.Tap("p3", "make");
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("x"), 1), new Instant(9000)));

        Assert.Equal("Only P3 had a go.", Said(sheet));
        Assert.Equal(
            ["p3"],
            sheet.Now().Units.Where(unit => ParWords.Of(card.Stages[0], unit) == ParWords.Met).Select(unit => unit.Id.Value)
        );
    }

    [Fact]
    public void A_player_who_left_without_a_go_does_not_lead_those_who_missed()
    {
        var outcomes =
            """[{"id":"make","label":"Make","result":"success","points":1},{"id":"miss","label":"Miss","result":"failure","points":-1}]""";
        var sheet = Given.Started(Given.Card(""" "play":"together" """, outcomes), "a", "b", "c").Taps("a- b- b-");
        sheet.Add(new RunEvent.Substitution(new EventId(new DeviceId("x"), 1), new Instant(20_000), new PlayerId("c"), null));
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("x"), 2), new Instant(21_000)));

        Assert.Equal("A first with -1 points.", Said(sheet));
        Assert.Equal(new PlayerId("a"), sheet.Score.LeaderAt(sheet.Log.LastAt));
    }

    [Fact]
    public void Each_has_so_many_turns_and_then_all_are_done()
    {
        var sheet = Given.Started(Given.Card(""" "play":"turns","until":[{"turns":2}] """), "a", "b");
        string[] whose = ["a", "b", "a", "b"];
        foreach (var (turn, unit) in whose.Index())
        {
            Assert.Equal(unit, sheet.Now().Turn?.Value);
            sheet.Tap(null, "make");
            sheet.Add(new RunEvent.Turn(new EventId(new DeviceId("x"), turn + 1), sheet.Stamp(Instant.Origin), null));
        }

        Assert.True(sheet.Now().Done);
        Assert.Equal([2, 2], sheet.Now().Units.Select(unit => unit.Attempts));
    }

    [Fact]
    public void What_a_helper_does_is_no_go_no_run_and_no_throw_of_theirs()
    {
        var card = CardReader
            .Read(
                """
                {"format":"keep-tally/drill@1","id":"d","name":"D","load":{"kind":"throw","per":"tap"},"stages":[{"play":"together",
                "outcomes":[{"id":"make","result":"success","points":1},{"id":"dropped","result":"failure","points":-1,"job":"rebound"}],
                "places":[{"id":"shoot","kind":"spot","size":1,"active":true,"scores":true},{"id":"rebound","kind":"spot","size":1,"active":true}]}]}
                """
            )
            .Require();
        var sheet = Given.Started(card, "a", "b");
        sheet.Tap("a", "make");
        sheet.Tap("b", "dropped");
        var helper = sheet.Now().Of("b");

        Assert.Equal((-1, 0, 0), (helper.Points, helper.Attempts, helper.Streak));
        Assert.Equal(
            (1, 0),
            (LoadCount.Of(card.Load!, sheet.Stage, sheet.Now().Of("a")), LoadCount.Of(card.Load!, sheet.Stage, helper))
        );
    }

    [Fact]
    public void In_a_match_of_sides_the_players_of_the_side_that_lost_go_off()
    {
        var card = Given.Card(
            Match
                + """
                , "places":[{"id":"near","kind":"spot","size":2,"scores":true,"side":"plain"},{"id":"far","kind":"spot","size":2,"scores":true,"side":"striped"},
                  {"id":"off","kind":"line"}],
                  "moves":[{"from":"near","to":"off","who":"loser"},{"from":"far","to":"off","who":"loser"}],"rotate":{"on":"success"}
                """
        );
        Unit Side(string id, params string[] names) =>
            new(new PlayerId(id), id, [.. names.Select(name => new Member(new PlayerId(name), name))]);
        var sheet = Sheet
            .Open(card, new LogHead("d", 0, card.Chosen, [Side("plain", "a", "b"), Side("striped", "c", "d")]))
            .Require();
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)));
        sheet.Tap("plain", "make");

        Assert.Equal(["a", "b"], sheet.Floor.Now.At("near").Select(player => player.Value));
        Assert.Empty(sheet.Floor.Now.At("far"));
    }

    [Fact]
    public void A_player_who_is_done_is_passed_over_by_those_who_are_not()
    {
        var card = Given.Card(
            """
            "play":"together","until":[{"successes":1}],
            "places":[{"id":"shoot","kind":"spot","size":1,"active":true,"scores":true},{"id":"line","kind":"line"}],
            "moves":[{"from":"shoot","to":"line"},{"from":"line","to":"shoot"}],"rotate":{"on":"attempts"}
            """
        );
        var sheet = Given.Started(card, "a", "b", "c");
        string Shooter() => sheet.Floor.Now.At("shoot")[0].Value;
        sheet.Taps("a+ b-");
        Assert.Equal("c", Shooter());
        sheet.Taps("c-");
        // a is at the head of the line, but has done all there is to do.
        Assert.Equal("b", Shooter());
        sheet.Taps("b+");
        Assert.Equal("c", Shooter());
    }

    [Fact]
    public void A_tag_that_the_card_does_not_list_is_refused_at_the_door()
    {
        var stage = Given.Card(""" "tags":{"finish":{"label":"Finish","values":{"high":"High","lob":"Lob"}}} """).Stages[0];
        var gate = new EventGate(
            new LogHead("d", 0, new Dictionary<string, string>(), [new Unit(new PlayerId("a"), "Ada", [])]),
            KnownTags.Of(stage)
        );
        string? Refused(string tag, string value) =>
            gate.Check(
                new RunEvent.Tap(
                    new EventId(new DeviceId("t"), 1),
                    new Instant(0),
                    new PlayerId("a"),
                    "make",
                    null,
                    new Dictionary<string, string> { [tag] = value },
                    null
                ),
                new Instant(0)
            )?.Path;

        Assert.Null(Refused("finish", "lob"));
        Assert.Equal("tags.finish", Refused("finish", "spin"));
        Assert.Equal("tags.type", Refused("type", "start"));
    }
}
