using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>
/// What the clock passes on it passes when the next work begins: the ball in the air at the horn is the ball of the unit that had it
/// (common practice).
/// </summary>
public sealed class LastBallTests
{
    private static readonly SheetId Only = new("s");

    private readonly Sheet _sheet;
    private readonly LivePractice _practice;

    /// <summary>Three in turns of ten seconds, five to change; the shooter's spot is whose turn it is.</summary>
    public LastBallTests()
    {
        _sheet = Given.Open(
            Given.Card(
                """
                "play":"turns","until":[{"seconds":10,"after":"finish"}],
                "clock":{"work":10,"change":5,"rounds":3},
                "places":[{"id":"shoot","size":1,"scores":true},{"id":"feed","size":1},{"id":"line","kind":"line"}],
                "moves":[{"from":"feed","to":"line"},{"from":"line","to":"feed"}],"rotate":{"on":"manual"}
                """
            ),
            "a",
            "b",
            "c"
        );
        _practice = new LivePractice(new DeviceId("coach"), [new LiveRun("Turns", [new RunSheet(Only, "", _sheet)])]);
        _practice.Execute(RunCommand.Start, Instant.Origin);
    }

    private void Look(double second) => _practice.AppendDue(new Instant((long)(second * 1000)));

    private void Make(double second)
    {
        Look(second);
        _practice.Tap(Only, new TapCommand(null, "make"), new Instant((long)(second * 1000))).Require();
    }

    private double PointsOf(string unit) => _sheet.Now().Of(unit).Points;

    [Fact]
    public void A_tap_in_the_change_is_of_the_player_who_had_the_turn()
    {
        Make(9);
        Make(12);
        Make(14.9);
        Make(15);

        Assert.Equal((3, 1), (PointsOf("a"), PointsOf("b")));
    }

    [Fact]
    public void The_time_of_a_turn_is_its_work_and_not_the_change()
    {
        Make(12);
        Look(31);

        Assert.Equal([10.0, 10.0], _sheet.Now().Units.Take(2).Select(unit => unit.Running.TotalSeconds));
    }

    [Fact]
    public void What_was_passed_by_hand_since_the_horn_is_not_passed_again()
    {
        Look(11);
        _practice.Execute(RunCommand.Turn, new Instant(11_000));
        Assert.Equal(default, _sheet.AfterRest(new Instant(12_000)));
        Make(16);

        Assert.Equal(("b", 1), (_sheet.Score.Turn?.Value, PointsOf("b")));
        Look(31);
        Assert.Equal("c", _sheet.Score.Turn?.Value);
    }

    [Fact]
    public void Where_the_last_ball_ends_a_turn_the_clock_does_not_pass_it_again()
    {
        var sheet = Given.Open(
            Given.Card(
                """
                "play":"turns","until":[{"successes":2},{"seconds":10,"after":"finish"}],"clock":{"work":10,"change":5,"rounds":4}
                """
            ),
            "a",
            "b",
            "c"
        );
        var practice = new LivePractice(new DeviceId("coach"), [new LiveRun("", [new RunSheet(Only, "", sheet)])]);
        practice.Execute(RunCommand.Start, Instant.Origin);
        practice.Tap(Only, new TapCommand(null, "make"), new Instant(9000));
        practice.Tap(Only, new TapCommand(null, "make"), new Instant(12_000));
        practice.AppendDue(new Instant(16_000));

        Assert.Equal("b", sheet.Score.Turn?.Value);
        // b has its own ten seconds, from the beginning of the next work: the change is nobody's.
        practice.AppendDue(new Instant(31_000));
        Assert.Equal(("c", 10.0), (sheet.Score.Turn?.Value, sheet.Now().Of("b").Running.TotalSeconds));
    }

    [Fact]
    public void A_turn_the_clock_passed_can_be_taken_back()
    {
        Make(16);
        var passed = _sheet.Log.Events.OfType<RunEvent.Turn>().Single();
        _practice.Undo(Only, passed.Id, new Instant(17_000));
        Look(18);

        Assert.Equal(("a", 1, 0), (_sheet.Score.Turn?.Value, PointsOf("a"), PointsOf("b")));
    }

    [Fact]
    public void The_player_whose_turn_it_is_stands_where_the_points_are_made()
    {
        string? Shooter() => _sheet.Floor.Now.At("shoot").SingleOrDefault().Value;

        Assert.Equal("a", Shooter());
        Look(14);
        Assert.Equal("a", Shooter());
        Look(15);
        Assert.Equal("b", Shooter());
        _practice.PassTurn(Only, new PlayerId("c"), new Instant(16_000));
        Assert.Equal("c", Shooter());
    }

    [Fact]
    public void It_is_told_beforehand_whose_turn_comes()
    {
        Look(12);

        Assert.Equal(new ClockPass(Moves: false, Turns: true), _sheet.AfterRest(new Instant(12_000)));
        Assert.Equal("b", _sheet.Score.NextTurn?.Value);
        Assert.Equal(default, _sheet.AfterRest(new Instant(9_000)));
    }

    [Fact]
    public void In_the_last_round_that_moves_places_nothing_moves_on_any_more()
    {
        var sheet = Given.Open(
            Given.Card(
                """
                "clock":{"work":10,"change":5,"rounds":2},
                "places":[{"id":"shoot","size":1,"scores":true},{"id":"line","kind":"line"}],
                "moves":[{"from":"shoot","to":"line"},{"from":"line","to":"shoot"}],"rotate":{"on":"round"}
                """
            ),
            "a",
            "b"
        );
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("x"), 1), Instant.Origin));

        Assert.Equal(
            [true, true, false, false],
            new long[] { 5, 12, 16, 30 }.Select(second => sheet.WillMove(new Instant(second * 1000)))
        );
    }

    /// <summary>Three in turns of ten seconds without a change-over: at the horn the next has the turn at once.</summary>
    private static LivePractice WithoutChangeOver()
    {
        var sheet = Given.Open(Given.Card(""" "play":"turns","clock":{"work":10,"rounds":3} """), "a", "b", "c");
        var practice = new LivePractice(new DeviceId("coach"), [new LiveRun("Turns", [new RunSheet(Only, "", sheet)])]);
        practice.Execute(RunCommand.Start, Instant.Origin);
        practice.AppendDue(new Instant(10_001));
        return practice;
    }

    private static double[] PointsIn(LivePractice practice) => [.. practice.Find(Only)!.Now().Units.Select(unit => unit.Points)];

    [Theory]
    [InlineData(9_900, false)]
    [InlineData(10_500, true)]
    [InlineData(13_000, true)]
    [InlineData(13_100, false)]
    public void Without_a_change_over_it_is_offered_for_three_seconds(long at, bool offered)
    {
        var balls = WithoutChangeOver().LastBallsAt(new Instant(at));
        Assert.Equal(offered ? ["a"] : [], balls.SelectMany(each => each.Ball.Units).Select(unit => unit.Value));
    }

    [Fact]
    public void Asked_for_before_the_tap_it_counts_for_who_had_the_turn()
    {
        var practice = WithoutChangeOver();
        practice.TapLastBall(Only, new TapCommand(null, "make"), new Instant(11_000)).Require();
        practice.Tap(Only, new TapCommand(null, "make"), new Instant(11_500)).Require();

        Assert.Equal([1, 1, 0], PointsIn(practice));
    }

    [Fact]
    public void Asked_for_after_the_tap_the_tap_is_moved_and_only_this_devices_own()
    {
        var practice = WithoutChangeOver();
        var others = new RunEvent.Tap(new EventId(new DeviceId("other"), 1), new Instant(10_300), null, "make", null, null, null);
        practice.Receive(Only, others);
        Assert.Empty(practice.MoveToLastBall(new Instant(10_400)));
        practice.Tap(Only, new TapCommand(null, "make"), new Instant(10_600));
        Assert.Equal(2, practice.MoveToLastBall(new Instant(11_000)).Count);

        Assert.Equal([1, 1, 0], PointsIn(practice));
    }

    [Fact]
    public void Where_places_move_on_it_is_of_the_player_who_stood_there()
    {
        var sheet = Given.Open(
            Given.Card(
                """
                "play":"together","clock":{"work":10,"rounds":3},
                "places":[{"id":"shoot","size":1,"scores":true},{"id":"line","kind":"line"}],
                "moves":[{"from":"shoot","to":"line"},{"from":"line","to":"shoot"}],"rotate":{"on":"round"}
                """
            ),
            "a",
            "b",
            "c"
        );
        var practice = new LivePractice(new DeviceId("coach"), [new LiveRun("Line", [new RunSheet(Only, "", sheet)])]);
        practice.Execute(RunCommand.Start, Instant.Origin);
        practice.AppendDue(new Instant(10_001));
        practice.TapLastBall(Only, new TapCommand(new PlayerId("b"), "make"), new Instant(11_000)).Require();
        practice.Tap(Only, new TapCommand(new PlayerId("b"), "make"), new Instant(11_500)).Require();

        Assert.Equal([1, 1, 0], PointsIn(practice));
        Assert.False(practice.TapLastBall(Only, new TapCommand(new PlayerId("b"), "make"), new Instant(14_000)).IsOk);
    }

    [Fact]
    public void On_a_sheet_where_the_same_players_go_on_the_tap_counts_as_any_other()
    {
        const string Turns = """ "play":"turns","clock":{"work":10,"rounds":3} """;
        var (two, one) = (Given.Open(Given.Card(Turns), "a", "b"), Given.Open(Given.Card(Turns), "c"));
        var other = new SheetId("alone");
        var practice = new LivePractice(
            new DeviceId("coach"),
            [new LiveRun("Turns", [new RunSheet(Only, "A", two), new RunSheet(other, "B", one)])]
        );
        practice.Execute(RunCommand.Start, Instant.Origin);
        practice.AppendDue(new Instant(10_001));

        Assert.Equal([Only], practice.LastBallsAt(new Instant(11_000)).Select(each => each.Sheet.Id));
        var appended = practice.TapLastBall(other, new TapCommand(null, "make"), new Instant(11_000)).Require();
        Assert.Equal((1, 1), (appended.Count, one.Now().Of("c").Points));
    }
}
