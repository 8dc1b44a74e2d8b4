using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Floor;

/// <summary>What helpers do is counted for the player who has the job, and is no rep of the one whose go it is.</summary>
public sealed class HelpersTests
{
    private static readonly SheetId Only = new("s");

    private readonly Sheet _sheet = Given.Open(
        Given.Card(
            """
            "scores":"player","play":"together","clock":{"work":60,"change":15,"rounds":3,"countIn":5},
            "places":[{"id":"shoot","size":1,"scores":true},{"id":"rebound","size":1},{"id":"feed","size":1}],
            "moves":[{"from":"shoot","to":"rebound"},{"from":"rebound","to":"feed"},{"from":"feed","to":"shoot"}],
            "rotate":{"on":"round"}
            """,
            """[{"id":"make","result":"success","points":1},{"id":"rebound","job":"rebound"},{"id":"pass","job":"feed"}]"""
        ),
        "a",
        "b",
        "c"
    );
    private readonly LivePractice _practice;
    private long _now = 5000;

    public HelpersTests()
    {
        _practice = new LivePractice(new DeviceId("coach"), [new LiveRun("", [new RunSheet(Only, "", _sheet)])]);
        _practice.Execute(RunCommand.Start, Instant.Origin);
    }

    private void Tap(string outcome, long? at = null)
    {
        _now = at ?? _now + 1000;
        _practice.AppendDue(new Instant(_now));
        _practice.Tap(Only, new TapCommand(null, outcome), new Instant(_now)).Require();
    }

    private int Count(string unit, string outcome) => _sheet.Now().Of(unit).Counts.Single(count => count.Key == outcome).Value;

    [Fact]
    public void It_is_the_players_who_has_the_job_then_and_stays_theirs()
    {
        string At(string place) => _sheet.Floor.Now.At(place)[0].Value;
        var (rebounder, feeder) = (At("rebound"), At("feed"));
        Tap("rebound");
        Tap("pass");
        Tap("rebound");
        Assert.Equal((2, 1), (Count(rebounder, "rebound"), Count(feeder, "pass")));

        // A minute on, everyone has moved on one job.
        Tap("rebound", 90_000);
        Assert.NotEqual(rebounder, At("rebound"));
        Assert.Equal((2, 1), (Count(rebounder, "rebound"), Count(At("rebound"), "rebound")));
    }

    [Fact]
    public void It_is_no_attempt_no_rep_and_moves_nobody()
    {
        var card = Given.Card(
            """
            "scores":"player","play":"together","until":[{"taps":2}],
            "places":[{"id":"shoot","size":1,"scores":true},{"id":"rebound","size":1},{"id":"line","kind":"line"}],
            "moves":[{"from":"shoot","to":"rebound"},{"from":"rebound","to":"line"},{"from":"line","to":"shoot"}],"rotate":{"on":"tap"}
            """,
            """[{"id":"make","result":"success","points":1},{"id":"ball","job":"rebound"}]"""
        );
        var sheet = Given.Started(card, "a", "b", "c");
        Assert.Null(sheet.Tap("b", "ball"));
        Assert.Null(sheet.Tap("b", "ball"));
        Assert.Null(sheet.Tap("b", "ball"));

        Assert.Equal("a", sheet.Floor.Now.At("shoot")[0].Value);
        Assert.Equal(
            (0, 0, false),
            (sheet.Now().Of("b").Attempts, sheet.JobsOf(new("b"), sheet.Log.LastAt)[0].Reps, sheet.Now().Of("b").Done)
        );
    }

    [Fact]
    public void Who_has_done_all_goes_helps_still()
    {
        var card = Given.Card(
            """
            "scores":"player","play":"together","until":[{"attempts":1}],
            "places":[{"id":"shoot","size":1,"scores":true},{"id":"rebound","size":1}]
            """,
            """[{"id":"make","result":"success","points":1},{"id":"ball","job":"rebound"}]"""
        );
        var sheet = Given.Started(card, "a", "b");
        sheet.Tap("b", "make");
        sheet.Tap("b", "ball");

        Assert.Equal((0, 1), (sheet.Now().Late, sheet.Now().Of("b").Counts.Single(count => count.Key == "ball").Value));
    }

    [Theory]
    [InlineData("\"scores\":\"group\"", "shoot", "outcomes[0].job")]
    [InlineData("\"scores\":\"player\"", "line", "outcomes[0].job")]
    [InlineData("\"scores\":\"player\"", "nowhere", "outcomes[0].job")]
    public void A_job_that_is_not_one_players_is_named_with_its_place(string scores, string job, string place)
    {
        var read = CardReader.Read(
            $$"""
            {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{ {{scores}},"outcomes":[{"id":"x","job":"{{job}}"}],
             "places":[{"id":"shoot","size":1},{"id":"line","kind":"line"}]}]}
            """
        );
        Assert.Contains(place, Assert.Single(read.Faults).Place, StringComparison.Ordinal);
    }
}
