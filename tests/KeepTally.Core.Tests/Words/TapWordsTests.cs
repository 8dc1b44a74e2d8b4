using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Words;

/// <summary>A tap says what it did and why.</summary>
public sealed class TapWordsTests
{
    [Theory]
    [InlineData("three-gates", "a:miss", "None made of one; five of seven clears it.")]
    [InlineData("three-gates", "a:miss*3", "Third miss: this window is lost, start again.")]
    [InlineData("three-gates", "a:make*5", "1 to a, now 5 points. Left cleared: on to middle.")]
    [InlineData("step-back-push", "a:make*3 a:miss*7", "Three of ten: this window is lost. That is the first out.")]
    [InlineData("ten-straight", "a:make*4 a:miss", "The run is back to zero.")]
    [InlineData("two-rings", "a:make a:miss", "A miss: the run starts again from zero.")]
    [InlineData("climb-the-net", "a:make*2 a:miss*2", "Second miss: this window is lost, back to near.")]
    [InlineData("win-it-score-it", "plain:rebound*10 plain:stop", "1 to plain, now 11. It is over: plain wins.")]
    [InlineData("one-hand-behind", ":miss", "The ball goes to second.")]
    [InlineData("one-hand-behind", ":block", "It is over: second wins.")]
    [InlineData("last-line", "a:save a:gave-up", "a loses all points.")]
    [InlineData("last-one-out", "a:won a:won", "a is done already: this does not count.")]
    public void The_last_tap_says(string card, string taps, string said) =>
        Assert.Equal(said, ShippedCard.Play(card, 3).Tap(taps).Why, ignoreCase: true);

    [Fact]
    public void Zones_say_what_was_asked_and_where_it_went()
    {
        var bout = ShippedCard.Play("corner-calls", 1).Say("a", null, "low-left");
        Assert.Equal("Asked high left, went low left: a miss. Next: low right.", bout.Why);
        Assert.Equal("Low right, as asked. Next: high right. 1 to a, now 1.", bout.Say("a", null, "low-right").Why);
        Assert.Equal("Asked high right, went elsewhere: a miss. Next: low left.", bout.Say("a", null, "none").Why);
    }

    [Fact]
    public void A_number_is_told_with_its_unit_and_the_turn_that_passed() =>
        Assert.Equal(
            "31.5 m recorded. b is next.",
            ShippedCard.Play("long-throw").Say("", "throw", null, 31.5).Why,
            ignoreCase: true
        );

    [Fact]
    public void A_group_is_called_by_all_of_its_name_and_a_player_by_the_first()
    {
        var card = Given.Card(
            """
            "scores":"group"
            """
        );
        var group = new Unit(new PlayerId("g1"), "Group A", [new Member(new PlayerId("p1"), "Wren Tarn")]);
        var sheet = Sheet.Open(card, new LogHead(card.Id, 0, card.Chosen, [group])).Require();

        Assert.Equal(("Group A", "Wren"), (sheet.CallNameOf(new PlayerId("g1")), sheet.CallNameOf(new PlayerId("p1"))));
    }

    [Fact]
    public void A_repeat_says_what_was_repeated()
    {
        var bout = ShippedCard.Play("never-twice", 1, 0, ("breach", "failure"));
        bout.Say("a", "make", null, null, ("finish", "lob")).Say("a", "make", null, null, ("finish", "lob"));
        Assert.Equal("The same finish again (lob): this counts as a miss.", bout.Why);
    }

    [Fact]
    public void A_make_that_a_limit_turns_into_a_miss_is_not_called_a_make()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "ladder":{"rungs":["l","r"],"pass":{"streak":3}},"limits":[{"tag":"finish","within":1,"breach":"failure"}]
                """
            ),
            "a"
        );
        string Make(int n)
        {
            var tap = new RunEvent.Tap(
                new EventId(new DeviceId("t"), n),
                new Instant(n * 1000),
                new PlayerId("a"),
                "make",
                null,
                new Dictionary<string, string> { ["finish"] = "lob" },
                null
            );
            var before = sheet.Score.Snapshot(tap.At);
            sheet.Add(tap);
            return TapWords.Explain(sheet, tap, before, sheet.Score.Snapshot(tap.At));
        }

        Make(1);
        Assert.EndsWith("A miss: the run starts again from zero.", Make(2), StringComparison.Ordinal);
    }
}
