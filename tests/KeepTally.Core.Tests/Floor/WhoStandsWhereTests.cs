using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Floor;

/// <summary>Forms of a drill in which the floor does not simply go round.</summary>
public sealed class WhoStandsWhereTests
{
    private static string At(Sheet sheet, string place) => string.Concat(sheet.Floor.Now.At(place));

    /// <summary>Who got it leaves, the others go again, the last alone; the ring fills anew only when it is empty (common practice).</summary>
    [Fact]
    public void In_an_elimination_the_ring_empties_one_by_one_and_then_fills_anew()
    {
        var bout = ShippedCard.Play("last-one-out", 3);
        string Ring() => At(bout.Live, "ring");

        Assert.Equal("abc", Ring());
        bout.Tap("b:foul b:won");
        Assert.Equal("ac", Ring());
        bout.Tap("a:won");
        Assert.Equal("c", Ring());
        bout.Tap("c:won");
        Assert.Equal((true, 3), (bout.Now.Done, Ring().Length));
    }

    [Fact]
    public void Who_comes_late_does_not_step_into_a_ring_that_is_being_played_out()
    {
        var bout = ShippedCard.Play("last-one-out", 3);
        bout.Tap("b:won");
        bout.Live.Add(new RunEvent.Substitution(new EventId(new DeviceId("x"), 1), new Instant(20_000), null, new PlayerId("d")));

        Assert.Equal(("ac", "bd"), (At(bout.Live, "ring"), At(bout.Live, "wait")));
    }

    [Theory]
    [InlineData("own", "a", "bc", "d", "ef")]
    [InlineData("others", "d", "abc", "a", "def")]
    public void The_hare_is_of_the_group_or_of_the_next_one(
        string form,
        string hare,
        string hunters,
        string then,
        string thenHunters
    )
    {
        var card = ShippedCard.Read("tag-the-hare", ("hare", form));
        var groups = new[] { "abc", "def" }.Select(
            (players, index) =>
                new Unit(new($"g{index}"), $"G{index}", [.. players.Select(each => new Member(new($"{each}"), $"{each}"))])
        );
        var sheet = Sheet.Open(card, new LogHead(card.Id, 0, card.Chosen, [.. groups])).Require();
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("x"), 1), Instant.Origin));

        Assert.Equal((hare, hunters), (At(sheet, "hare"), At(sheet, "hunt")));
        sheet.Add(new RunEvent.Turn(new EventId(new DeviceId("x"), 2), new Instant(1000), null));
        Assert.Equal((then, thenHunters), (At(sheet, "hare"), At(sheet, "hunt")));
        Assert.Equal(6, sheet.Floor.Now.Places.Sum(place => sheet.Floor.Now.At(place.Id).Count) + sheet.Floor.Now.Waiting.Count);
    }

    [Fact]
    public void With_one_group_the_hare_is_its_own_after_all()
    {
        var card = ShippedCard.Read("tag-the-hare", ("hare", "others"));
        var unit = new Unit(new("g"), "G", [new Member(new("a"), "a"), new Member(new("b"), "b")]);
        var sheet = Sheet.Open(card, new LogHead(card.Id, 0, card.Chosen, [unit])).Require();

        Assert.Equal(("a", "b"), (At(sheet, "hare"), At(sheet, "hunt")));
    }

    [Fact]
    public void A_dash_begins_with_the_whistle_where_the_coach_wants_it_so()
    {
        var whistled = Given.Started(ShippedCard.Read("three-ball-dash", ("from", "whistle")), "a", "b");
        double? Left(Sheet sheet, long at) => sheet.RepLeft(new Instant(at))?.TotalSeconds;

        Assert.Null(Left(whistled, 8000));
        whistled.Add(new RunEvent.Whistle(new EventId(new DeviceId("x"), 1), new Instant(10_000)));
        Assert.Equal(6, Left(whistled, 13_000));
        whistled.Tap("a", "two", 14_000);
        Assert.Equal(4, Left(whistled, 15_000));

        var tapped = Given.Started(ShippedCard.Read("three-ball-dash"), "a", "b");
        Assert.Equal(6, Left(tapped, 8000));
        tapped.Tap("a", "two", 14_000);
        Assert.Equal(8, Left(tapped, 15_000));
        tapped.Add(new RunEvent.Whistle(new EventId(new DeviceId("x"), 1), new Instant(16_000)));
        Assert.Equal(9, Left(tapped, 16_000));
    }

    /// <summary>Three taps a rep is too many where tags repeat.</summary>
    [Fact]
    public void What_a_tap_said_last_stands_for_the_next_unless_it_alternates_or_may_not_come_again()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "scores":"player","play":"together",
                "tags":{"finish":{"label":"Finish","values":{"high":"High","low":"Low"}},
                        "side":{"label":"Side","values":{"left":"Left","right":"Right"},"next":"alternates"},
                        "foot":{"label":"Foot","values":{"l":"L","r":"R"},"next":"asked"},
                        "kind":{"label":"Kind","values":{"x":"X","y":"Y"}}},
                "limits":[{"tag":"kind","within":1,"breach":"void"}]
                """
            ),
            "a",
            "b"
        );
        string Standing(string unit) => string.Join(' ', sheet.Standing(new(unit)).Select(tag => $"{tag.Tag}={tag.Value}"));
        void Tap(string unit, params (string Tag, string Value)[] tags) =>
            sheet.Add(
                new RunEvent.Tap(
                    new EventId(new DeviceId("x"), sheet.Log.Count),
                    sheet.Log.LastAt + Duration.FromSeconds(1),
                    new(unit),
                    "make",
                    null,
                    tags.ToDictionary(tag => tag.Tag, tag => tag.Value),
                    null
                )
            );

        Assert.Equal("side=left", Standing("a"));
        Tap("a", ("finish", "low"), ("side", "left"), ("foot", "l"), ("kind", "x"));
        Assert.Equal("finish=low side=right", Standing("a"));
        Tap("a", ("finish", "low"), ("side", "right"), ("kind", "y"));
        Assert.Equal("finish=low side=left", Standing("a"));
        Assert.Equal("side=left", Standing("b"));
    }
}
