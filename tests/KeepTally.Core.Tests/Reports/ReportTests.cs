using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Reports;

/// <summary>What a sheet was, counted by hand from its taps.</summary>
public sealed class ReportTests
{
    private const string TwoSteps = """ "play":"together","ladder":{"rungs":["near","far"],"pass":{"streak":2}} """;

    private static KeptRun Run(params KeepTally.Core.Live.Sheet[] sheets) =>
        new(
            1,
            [.. sheets.Select((sheet, index) => new KeptSheet("", $"{index}", null, ScoredSheet.Of(sheet)))],
            Duration.FromMinutes(2)
        );

    [Fact]
    public void Each_step_has_its_goes_its_clears_and_its_time()
    {
        var sheet = Given.Started(Given.Card(TwoSteps), "a", "b").Taps("a+ b- a+ b+ b+ a-");
        var rungs = ScoredSheet.Of(sheet).Work.Rungs;

        // Near: a's two and b's three goes, cleared once each, at 3 s and at 5 s. Far: a's miss, three seconds later.
        Assert.Equal(
            [new RungWork(0, "near", 5, 2, Duration.FromSeconds(8)), new RungWork(1, "far", 1, 0, Duration.FromSeconds(3))],
            rungs
        );
    }

    [Fact]
    public void Who_is_done_by_a_tap_is_played_out_and_who_is_ended_by_the_coach_is_not()
    {
        var sheet = Given.Started(Given.Card(TwoSteps), "a", "b").Taps("a+ a+ b+ a+ a+");
        sheet.Add(new RunEvent.End(new EventId(new DeviceId("s"), 9), sheet.Log.LastAt + Duration.FromSeconds(10)));
        var work = ScoredSheet.Of(sheet).Work;

        Assert.Equal(
            (new PlayerId("a"), Duration.FromSeconds(5)),
            (Assert.Single(work.PlayedOut).Key, work.PlayedOut[new PlayerId("a")])
        );
        Assert.All(sheet.Now().Units, unit => Assert.True(unit.Done));
    }

    [Fact]
    public void An_undone_tap_is_no_go_at_a_step()
    {
        var sheet = Given.Started(Given.Card(TwoSteps), "a").Taps("a+ a+ a+");
        sheet.Add(new RunEvent.Undo(new EventId(new DeviceId("s"), 9), sheet.Log.LastAt, sheet.Log.Events[2].Id));
        var rungs = ScoredSheet.Of(sheet).Work.Rungs;

        Assert.Equal((2, 1), (Assert.Single(rungs).Goes, rungs[0].Cleared));
    }

    /// <summary>What loses the game is worse than what costs points, that worse than what only fails. Common practice.</summary>
    [Fact]
    public void Errors_stand_in_order_of_harm()
    {
        var card = Given.Card(
            """ "play":"together" """,
            """
            [{"id":"goal","label":"Goal","result":"success","points":1},{"id":"wide","label":"Wide","result":"failure"},
             {"id":"foul","label":"Foul","result":"failure","points":-1},{"id":"gift","label":"Gift","points":{"other":2}},
             {"id":"red","label":"Red","result":"failure","does":["lose"]}]
            """
        );
        var errors = ErrorRow.Of(
            card.Stages[0],
            new Dictionary<string, int>
            {
                ["goal"] = 9,
                ["wide"] = 7,
                ["foul"] = 3,
                ["gift"] = 2,
                ["red"] = 1,
            }
        );

        Assert.Equal(["Red", "Gift", "Foul", "Wide"], errors.Select(error => error.Label));
        Assert.Equal([0, 4, 3, 0], errors.Select(error => error.Cost));
    }

    [Fact]
    public void An_error_that_takes_all_points_away_costs_what_was_lost()
    {
        var card = Given.Card(
            """ "play":"together" """,
            """[{"id":"make","label":"Make","result":"success","points":1},{"id":"drop","label":"Drop","result":"failure","does":["reset"]}]"""
        );
        var sheet = Given.Started(card, "a", "b").Taps("a+ a+ a+ b+");
        Assert.Null(sheet.Tap("a", "drop"));
        Assert.Null(sheet.Tap("a", "drop"));
        var result = PracticeReport.Of("T", "Terns", new DateOnly(2026, 10, 3), [Run(sheet)]).Drills[0];

        // Three points at the first drop, none at the second.
        Assert.Equal(("Drop", 2, 3.0), (result.Errors[0].Label, result.Errors[0].Count, result.Errors[0].Cost));
    }

    [Fact]
    public void Goes_of_a_player_add_up_over_drills_and_goes_of_a_group_are_nobodys()
    {
        var first = Given.Started(Given.Card(""" "play":"together" """), "a", "b").Taps("a+ a- b+");
        var second = Given.Started(Given.Card(""" "play":"together" """), "a").Taps("a+");
        var group = Given.Started(Given.Card(""" "play":"together","scores":"group" """), "g").Taps("g+ g+");
        var report = PracticeReport.Of("T", "Terns", new DateOnly(2026, 10, 3), [Run(first), Run(second), Run(group)]);

        Assert.Equal(
            [("A", new Share(2, 3)), ("B", new Share(1, 1))],
            report.Players.Where(player => player.Own.Of > 0).Select(player => (player.Name, player.Own))
        );
        Assert.Equal(new Share(5, 6), report.Goes);
        Assert.Equal(Duration.FromMinutes(6), report.Planned);
    }

    /// <summary>While practice is on nobody has won yet, and what was not begun may be.</summary>
    [Fact]
    public void What_is_still_on_is_told_as_it_stands_so_far_and_what_was_ended_is_not()
    {
        var ended = Given.Started(Given.Card(""" "play":"together" """), "a", "b").Taps("a+ a- b+");
        ended.Add(new RunEvent.End(new EventId(new DeviceId("s"), 9), ended.Log.LastAt));
        var now = Given
            .Started(Given.Card(""" "play":"together","measure":[{"by":"attempts","better":"high"}] """), "a", "b")
            .Taps("a+ a+ b+");
        var ahead = Given.Open(Given.Card(""" "play":"together" """), "a");
        string[] Lines(bool stillOn, int drill) =>
            [
                .. ReportText.Of(
                    PracticeReport.Of("T", "Terns", new DateOnly(2026, 10, 3), [Run(ended), Run(now), Run(ahead)], stillOn).Drills[
                        drill
                    ]
                ),
            ];

        Assert.Equal(Lines(false, 0), Lines(true, 0));
        Assert.StartsWith("Still running: ", Lines(true, 1)[0], StringComparison.Ordinal);
        Assert.StartsWith("Ran ", Lines(false, 1)[0], StringComparison.Ordinal);
        Assert.Contains(Lines(true, 1), line => line == "A first so far with 2 goes.");
        Assert.Contains(Lines(false, 1), line => line == "A first with 2 goes.");
        Assert.Equal(["Not started yet."], Lines(true, 2));
        Assert.Equal(["Not reached."], Lines(false, 2));
    }

    [Fact]
    public void Laps_are_told_with_the_reading_they_add_up_to()
    {
        var card = Given.Card(""" "play":"together" """, """[{"id":"run","label":"Run","reading":"s"}]""");
        var line = """{"device":"t","n":1,"at":5,"type":"tap","unit":"a","outcome":"run","value":12.5,"laps":[6,6.5]}""";
        var tap = (RunEvent.Tap)EventReader.Read(line).Require();

        Assert.Equal(line, EventWriter.Write(tap));
        Assert.Equal("A · Run (12.5, laps 6 + 6.5)", TapLine.Of(Given.Started(card, "a"), tap));
        Assert.Equal("laps[1]", EventReader.Read(line.Replace("6.5", "\"x\"", StringComparison.Ordinal)).Faults[0].Path);
        Assert.Equal("laps", EventReader.Read(line.Replace("6,6.5", "", StringComparison.Ordinal)).Faults[0].Path);
    }
}
