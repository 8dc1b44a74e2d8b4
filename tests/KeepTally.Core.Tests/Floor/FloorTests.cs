using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Floor;

public sealed class FloorTests
{
    private static Sheet Lines(string rotate) =>
        Given.Started(
            Given.Card(
                $$"""
                "places":[{"id":"s","size":1,"scores":true},{"id":"q","kind":"line"}],
                "moves":[{"from":"s","to":"q"},{"from":"q","to":"s"}],"rotate":{{rotate}}
                """
            ),
            "a",
            "b",
            "c"
        );

    private static string Stood(Sheet sheet) =>
        string.Concat(sheet.Floor.Now.At("s")) + "|" + string.Concat(sheet.Floor.Now.At("q"));

    [Theory]
    [InlineData("""{"on":"success"}""", "a+ a-", "b|ca")]
    [InlineData("""{"on":"failure"}""", "a+ a-", "b|ca")]
    [InlineData("""{"on":"attempts","every":2}""", "a+ a- b+", "b|ca")]
    [InlineData("""{"on":"tap"}""", "a+ b+ c+", "a|bc")]
    [InlineData("""{"on":"manual"}""", "a+ b+ c+", "a|bc")]
    public void Taps_move_places_on_where_the_card_says_so(string rotate, string taps, string stood) =>
        Assert.Equal(stood, Stood(Lines(rotate).Taps(taps)));

    [Fact]
    public void Who_comes_in_takes_the_place_of_who_goes_out_and_the_score_stands()
    {
        var sheet = Lines("""{"on":"manual"}""").Taps("a+ a+");

        sheet.Add(
            new RunEvent.Substitution(new EventId(new DeviceId("x"), 1), new Instant(9000), new PlayerId("a"), new PlayerId("d"))
        );
        Assert.Equal("d|bc", Stood(sheet));
        sheet.Add(new RunEvent.Substitution(new EventId(new DeviceId("x"), 2), new Instant(9001), new PlayerId("b"), null));
        sheet.Add(new RunEvent.Substitution(new EventId(new DeviceId("x"), 3), new Instant(9002), null, new PlayerId("e")));
        sheet.Add(new RunEvent.Substitution(new EventId(new DeviceId("x"), 4), new Instant(9003), null, new PlayerId("e")));

        Assert.Equal("d|ce", Stood(sheet));
        Assert.Equal(2, sheet.Now().Of("a").Points);
    }

    [Fact]
    public void What_comes_next_is_told_before_it_happens()
    {
        var sheet = Lines("""{"on":"manual"}""");
        var next = sheet.Floor.Next;

        sheet.Add(new RunEvent.Rotate(new EventId(new DeviceId("x"), 1), new Instant(5000), null, null, null));

        Assert.Equal(next.At("s"), sheet.Floor.Now.At("s"));
        Assert.Equal(next.At("q"), sheet.Floor.Now.At("q"));
    }

    private static Sheet Duel(string on) =>
        Given.Started(
            Given.Card(
                $$"""
                "places":[{"id":"s","size":2,"scores":true},{"id":"q","kind":"line"}],
                "moves":[{"from":"s","to":"q","who":"loser"},{"from":"q","to":"s"}],"rotate":{"on":"{{on}}"},
                "clock":{"work":10,"change":2,"rounds":3}
                """
            ),
            "a",
            "b",
            "c",
            "d"
        );

    [Theory]
    [InlineData("success", "a+", "ac|db")] // anyone who makes it has won, the other of the two has lost
    [InlineData("success", "a+ c+ c+", "cb|ad")]
    [InlineData("failure", "a-", "bc|da")]
    public void Of_two_in_a_duel_the_tap_tells_who_stays(string on, string taps, string stood) =>
        Assert.Equal(stood, Stood(Duel(on).Taps(taps)));

    [Fact]
    public void Where_no_tap_tells_who_won_the_clock_waits_for_the_coach_to_say_it()
    {
        var sheet = Duel("round");
        var practice = new LivePractice(new DeviceId("me"), [new LiveRun("duel", [new RunSheet(new SheetId("s"), "", sheet)])]);

        Assert.Empty(practice.AppendDue(new Instant(11_000)));
        Assert.Equal(["a", "b"], sheet.Floor.Contestants.Select(id => id.Value));
        practice.RotateWith(new SheetId("s"), new PlayerId("b"), new Instant(11_500));

        Assert.Equal("bc|da", Stood(sheet));
        Assert.Empty(Duel("success").Floor.Contestants);
    }

    [Fact]
    public void Who_came_in_moves_on_by_their_own_taps()
    {
        var sheet = Lines("""{"on":"success"}""");
        sheet.Add(
            new RunEvent.Substitution(new EventId(new DeviceId("x"), 1), new Instant(1000), new PlayerId("a"), new PlayerId("d"))
        );

        Assert.Equal("b|cd", Stood(sheet.Taps("d+")));
    }

    [Theory]
    [InlineData("success", "a,court b,court c,court d,line")]
    [InlineData("manual", "a,court b,court c,court d,line")]
    public void A_player_who_wins_the_head_of_the_line_comes_in_next(string on, string expected)
    {
        var card = Given.Card(
            $$"""
            "places":[{"id":"court","kind":"spot","size":2,"scores":true},{"id":"line","kind":"line"}],
            "moves":[{"from":"court","to":"line","who":"loser"},{"from":"line","to":"court"}],"rotate":{"on":"{{on}}"}
            """
        );
        var floor = Given.Open(card, "a", "b", "c", "d").Floor;

        Assert.Equal(
            expected,
            string.Join(' ', floor.NextPlaces().OrderBy(next => next.Key.Value).Select(next => $"{next.Key},{next.Value?.Id}"))
        );
    }

    [Fact]
    public void Where_nobody_decides_it_the_next_place_is_that_of_the_next_rotation()
    {
        var card = Given.Card(
            """
            "places":[{"id":"shoot","kind":"spot","size":1},{"id":"line","kind":"line"}],
            "moves":[{"from":"shoot","to":"line"},{"from":"line","to":"shoot"}],"rotate":{"on":"round"}
            """
        );
        var floor = Given.Open(card, "a", "b", "c").Floor;

        Assert.Equal(["a", "b", "c"], floor.NextPlaces().Keys.Select(id => id.Value).Order());
        Assert.All(floor.NextPlaces(), next => Assert.Equal(floor.Next.Of(next.Key), next.Value));
    }

    [Fact]
    public void Where_groups_take_turns_the_places_are_for_the_group_whose_turn_it_is()
    {
        var card = Given.Card(
            """
            "scores":"group","play":"turns","places":[{"id":"run","kind":"spot","size":1},{"id":"line","kind":"line"}]
            """
        );
        Unit[] groups = [Group("a", "b", "c"), Group("d", "e")];
        var sheet = Sheet.Open(card, new LogHead(card.Id, 0, card.Chosen, groups)).Require();
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)));
        Assert.Equal(("a", "bc", "de"), Standing());

        sheet.Add(new RunEvent.Turn(new EventId(new DeviceId("s"), 2), new Instant(1000), null));
        Assert.Equal(("d", "e", "abc"), Standing());

        sheet.Add(new RunEvent.Substitution(new EventId(new DeviceId("s"), 3), new Instant(2000), new PlayerId("d"), null));
        Assert.Equal(("e", "", "abc"), Standing());

        (string, string, string) Standing() =>
            (
                string.Concat(sheet.Floor.Now.At("run")),
                string.Concat(sheet.Floor.Now.At("line")),
                string.Concat(sheet.Floor.Now.Waiting)
            );

        static Unit Group(params string[] players) =>
            new(
                new PlayerId($"g-{players[0]}"),
                $"Group {players[0]}",
                [.. players.Select(player => new Member(new PlayerId(player), player))]
            );
    }
}
