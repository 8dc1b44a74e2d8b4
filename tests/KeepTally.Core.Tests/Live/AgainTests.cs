using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Live;

/// <summary>Rematch, change ends, next pair up, same again: another game on the same sheet.</summary>
public sealed class AgainTests
{
    private static readonly SheetId Only = new("s");

    private long _now;

    private static LivePractice Practice(Sheet sheet) =>
        new(new DeviceId("coach"), [new LiveRun("Drill", [new RunSheet(Only, "", sheet)])]);

    private LivePractice Begun(Sheet sheet)
    {
        var practice = Practice(sheet);
        practice.Execute(RunCommand.Start, Instant.Origin);
        _now = sheet.Stage.Clock?.CountIn.Milliseconds ?? 0;
        return practice;
    }

    private void Tap(LivePractice practice, string? unit, string outcome, int times = 1)
    {
        for (var i = 0; i < times; i++)
        {
            _now += 1000;
            practice.AppendDue(new Instant(_now));
            practice.Tap(Only, new TapCommand(Given.Player(unit), outcome), new Instant(_now)).Require();
        }
    }

    private IReadOnlyList<SheetEvent> Again(LivePractice practice, bool ends = false, bool moves = false) =>
        practice.Again(Only, ends, moves, new Instant(_now += 1000));

    private static Sheet Sides(string card, params string[][] sides)
    {
        var read = ShippedCard.Read(card);
        var units = read.Stages[0].Sides.Zip(sides, (side, players) => new Unit(new PlayerId(side), side, [.. players.Select(Of)]));
        return Sheet.Open(read, new LogHead(read.Id, 0, read.Chosen, [.. units])).Require();
    }

    private static Member Of(string name) => new(new PlayerId(name), name);

    [Fact]
    public void A_rematch_begins_at_nought_and_the_game_before_stands()
    {
        var sheet = Sides("one-hand-behind", ["a"], ["b"]);
        var practice = Begun(sheet);
        Assert.Empty(Again(practice));
        Tap(practice, "first", "goal", 7);
        Assert.Equal(
            new AgainWays(true, true, false),
            AgainWays.Of(practice.Runs[0], practice.Runs[0].Sheets[0], new Instant(_now))
        );
        Assert.Single(Again(practice));
        Tap(practice, "first", "goal", 2);

        var report = sheet.Now();
        Assert.Equal((2, false), (report.Of("first").Points, report.Done));
        Assert.Equal("first", Assert.Single(report.Earlier).Winner?.Value);
        Assert.Equal("Game 2. Won so far: first 1, second 0.", GameWords.Standing(sheet.Score));
    }

    [Fact]
    public void After_a_change_of_ends_the_other_side_starts_with_the_ball_until_they_change_again()
    {
        var sheet = Sides("one-hand-behind", ["a"], ["b"]);
        var practice = Begun(sheet);
        string? Ball() => sheet.Score.Ball?.Value;

        Tap(practice, "first", "goal", 7);
        Again(practice, ends: true);
        Assert.Equal("second", Ball());
        Tap(practice, "second", "goal", 7);
        Again(practice);
        Assert.Equal("second", Ball());
        Tap(practice, "second", "goal", 7);
        Again(practice, ends: true);
        Assert.Equal("first", Ball());
    }

    [Fact]
    public void The_next_pair_comes_on_and_who_played_goes_to_the_end_of_the_line()
    {
        var sheet = Sides("one-hand-behind", ["a", "b", "c"], ["d", "e"]);
        var practice = Begun(sheet);
        string On() => $"{sheet.Floor.Now.At("first")[0]}{sheet.Floor.Now.At("second")[0]}";

        Assert.Equal("ad", On());
        Tap(practice, "first", "goal", 7);
        Again(practice, moves: true);
        Assert.Equal("be", On());
        Tap(practice, "second", "block");
        Again(practice, moves: true);
        Assert.Equal("cd", On());
    }

    [Fact]
    public void Two_devices_that_ask_at_once_begin_one_game()
    {
        var sheet = Sides("one-hand-behind", ["a"], ["b"]);
        var practice = Begun(sheet);
        Tap(practice, "first", "goal", 7);
        Again(practice);
        sheet.Add(new RunEvent.Again(new EventId(new DeviceId("other"), 1), new Instant(_now + 5), true, false));

        Assert.Single(sheet.Score.EarlierGames);
        Assert.Equal("first", sheet.Score.Ball?.Value);
        Assert.Equal(EventResultKind.Superseded, sheet.ResultOf(new EventId(new DeviceId("other"), 1))?.Kind);
    }

    [Fact]
    public void A_rematch_can_be_taken_back()
    {
        var sheet = Sides("one-hand-behind", ["a"], ["b"]);
        var practice = Begun(sheet);
        Tap(practice, "first", "goal", 7);
        var again = Again(practice)[0];
        practice.Undo(Only, again.Event.Id, new Instant(_now + 1000));

        Assert.Equal((7, true, 0), (sheet.Now().Of("first").Points, sheet.Now().Done, sheet.Now().Earlier.Count));
    }

    /// <summary>A late correction must not let two games run into one.</summary>
    [Fact]
    public void A_game_that_loses_its_deciding_goal_afterwards_is_over_all_the_same()
    {
        var sheet = Sides("one-hand-behind", ["a"], ["b"]);
        var practice = Begun(sheet);
        Tap(practice, "first", "goal", 7);
        var deciding = sheet.Log.Events[^1].Id;
        Again(practice);
        Tap(practice, "first", "goal", 2);
        practice.Undo(Only, deciding, new Instant(_now + 1000));

        var report = sheet.Now();
        Assert.Equal((6, 2), (report.Earlier[0].Of("first").Points, report.Of("first").Points));
        Assert.Equal("first", report.Earlier[0].Winner?.Value);
    }

    [Fact]
    public void The_clock_runs_from_the_start_again_and_moves_places_on_in_every_game()
    {
        var read = ShippedCard.Read("minute-trios");
        var sheet = Given.Open(read, "a", "b", "c");
        var practice = Begun(sheet);
        string Shooter() => sheet.Floor.Now.At("shoot")[0].Value;
        void At(double second) => practice.AppendDue(new Instant(_now = (long)(second * 1000)));

        At(215);
        Assert.Single(practice.Again(Only, false, false, new Instant(_now = 216_000)));
        var first = Shooter();
        // Counted in for five, a minute of work, a change of fifteen.
        At(216 + 79);
        Assert.Equal(first, Shooter());
        At(216 + 80);
        Assert.NotEqual(first, Shooter());
        At(216 + 155);

        Assert.Equal([2, 4, 8, 10], sheet.Log.Events.OfType<RunEvent.Rotate>().Select(rotate => rotate.Id.N));
        Assert.All(
            new[] { "a", "b", "c" },
            player =>
                Assert.Equal(
                    180 + 120,
                    sheet.JobsOf(new PlayerId(player), new Instant(216_000 + 155_000)).Sum(job => job.Time.TotalSeconds)
                )
        );
    }

    [Fact]
    public void Courts_that_share_a_clock_begin_again_together()
    {
        var (one, other) = (Sides("three-a-side", ["a"], ["b"]), Sides("three-a-side", ["c"], ["d"]));
        var practice = new LivePractice(
            new DeviceId("coach"),
            [new LiveRun("", [new RunSheet(Only, "A", one), new RunSheet(new SheetId("t"), "B", other)])]
        );
        practice.Execute(RunCommand.Start, Instant.Origin);
        _now = 10_000;
        Tap(practice, "plain", "goal", 6);

        Assert.True(one.Score.IsDoneAt(new Instant(_now)));
        Assert.Empty(Again(practice));
        _now = 310_000;
        Assert.Equal(2, Again(practice).Count);
    }

    [Fact]
    public void Who_won_more_games_is_first_whatever_the_points()
    {
        var sheet = Sides("one-hand-behind", ["a"], ["b"]);
        var practice = Begun(sheet);
        Tap(practice, "first", "goal", 7);
        Again(practice);
        foreach (var _ in Enumerable.Range(0, 2))
        {
            Tap(practice, "first", "goal", 6);
            Tap(practice, "second", "block");
            Again(practice);
        }

        practice.Execute(RunCommand.End, new Instant(_now += 1000));
        var report = sheet.Now();
        var rows = DrillTable.Rank(sheet.Stage, [new DrillSheet("", sheet.Head, sheet.Units, true, report)]);

        // A fourth game was begun and left at once: it is none.
        Assert.Equal(3, report.Games.Count);
        Assert.Equal(["second", "first"], rows.Select(row => row.Unit.Id.Value));
        Assert.Equal([(1, 2, 0.0), (2, 1, 19.0)], rows.Select(row => (row.Rank!.Value, row.GamesWon!.Value, row.Report.Points)));
        Assert.Equal("first 7, second 0: first won", GameWords.Line(sheet.Stage, rows[0].Sheet, report.Games[0]));
    }

    [Fact]
    public void Who_went_off_is_off_in_the_next_game_and_who_came_later_played_in_the_later_ones()
    {
        var card = Given.Card(
            """
            "scores":"player","play":"together","until":[{"attempts":1}]
            """
        );
        var sheet = Sheet
            .Open(
                card,
                new LogHead(card.Id, 0, card.Chosen, [new Unit(new("a"), "A", []), new Unit(new("b"), "B", [])], Bench: [Of("c")])
            )
            .Require();
        var practice = Begun(sheet);
        Tap(practice, "a", "make");
        Tap(practice, "b", "miss");
        practice.ChangeRoster(new RosterChange(new PlayerId("b"), new PlayerId("c"), null), new Instant(_now));
        Again(practice);
        Tap(practice, "a", "make");
        Tap(practice, "c", "make");

        var report = sheet.Now();
        Assert.True(report.Done);
        var rows = DrillTable.Rank(sheet.Stage, [new DrillSheet("", sheet.Head, sheet.Units, true, report)]);
        Assert.Equal(
            ["A ", "B in game 1", "c in game 2"],
            rows.OrderBy(row => row.Unit.Name).Select(row => $"{row.Unit.Name} {PlayedWords.When(row)}")
        );
        Assert.Equal([2, 1, 1], rows.OrderBy(row => row.Unit.Name).Select(row => row.Report.Attempts));
    }

    [Theory]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"again"}""")]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"again","ends":true,"moves":true}""")]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"habit","habit":"Loose ball"}""")]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"habit","habit":"Loose ball","player":"p1"}""")]
    public void A_line_is_written_as_it_was_read(string line) =>
        Assert.Equal(line, EventWriter.Write(EventReader.Read(line).Require()));

    [Fact]
    public void A_habit_is_counted_for_player_and_team_and_scores_nothing()
    {
        var sheet = Given.Started(Given.Card(""" "scores":"player" """), "a", "b");
        var practice = Practice(sheet);
        foreach (var player in new[] { "a", null, "a" })
        {
            practice.See("Loose ball", Given.Player(player), new Instant(_now += 20_000)).Require();
        }

        Assert.False(practice.See("Loose ball", new PlayerId("nobody"), new Instant(_now)).IsOk);
        Assert.Equal(
            [("Loose ball", "a", 2), ("Loose ball", "", 1)],
            sheet.Now().Habits.Select(seen => (seen.Habit, seen.Player?.Value ?? "", seen.Count))
        );
        Assert.All(sheet.Now().Units, unit => Assert.Equal((0, 0), (unit.Attempts, unit.Late)));
    }
}
