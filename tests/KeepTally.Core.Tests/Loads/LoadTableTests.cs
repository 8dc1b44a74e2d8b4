using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Loads;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Loads;

/// <summary>Limits a club writes down itself, and who comes near them while practice runs.</summary>
public sealed class LoadTableTests
{
    [Fact]
    public void What_is_published_reads_as_it_is_written()
    {
        var read = LoadTable.Read(LoadTable.Suggested.ToString()).Require();

        Assert.True(read.IsOwn);
        Assert.Equal(LoadTable.Suggested.Rows.Count, read.Rows.Count);
        Assert.All(
            Enumerable.Range(7, 16).SelectMany(age => new[] { 1, 20, 21, 36, 51, 66, 81, 106 }, (age, count) => (age, count)),
            each =>
                Assert.Equal(
                    LoadTable.Suggested.For("throw", each.age)!.RestAfter(each.count),
                    read.For("throw", each.age)!.RestAfter(each.count)
                )
        );
    }

    [Fact]
    public void A_club_has_limits_for_other_kinds_too()
    {
        var table = LoadTable.Read("jump 10-14: 80; 40=1 60=2\n\n  hit 0-99: 200").Require();

        Assert.Equal((80, 2), (table.For("jump", 12)!.PerDay, table.For("jump", 12)!.RestAfter(60)));
        Assert.Equal(80, table.For("jump", 8)!.PerDay);
        Assert.Null(table.For("jump", 15));
        Assert.Equal(0, table.For("hit", 40)!.RestAfter(500));
        Assert.Null(table.For("throw", 12));
    }

    [Theory]
    [InlineData("throw 9-10: 75\nthrow ten: 75", "line 2")]
    [InlineData("throw 10-9: 75", "line 1")]
    [InlineData("throw 9-10: 0", "line 1")]
    [InlineData("throw 9-10: 75; 36=2 21=1", "line 1")]
    [InlineData("throw 9-10: 75; 21=1 36=1", "line 1")]
    [InlineData("throw 9-10: 75\nthrow 10-12: 85", "speak of the same age")]
    public void What_is_wrong_is_told_with_its_line(string text, string words) =>
        Assert.Contains(words, LoadTable.Read(text).Faults[0].ToString(), StringComparison.Ordinal);

    [Fact]
    public void Who_comes_near_the_days_limit_is_told_with_what_was_thrown_earlier_that_day()
    {
        var card = Given.Card(""" "play":"together" """) with { Load = new Load("throw", "attempt") };
        var sheet = Given.Started(card, "a", "b").Taps("a+ a- a+ b+");
        var practice = new LivePractice(new DeviceId("me"), [new LiveRun("one", [new RunSheet(new SheetId("s"), "", sheet)])])
        {
            Loads =
            [
                new LoadAllowance(new PlayerId("a"), "throw", 5, 9, false),
                new LoadAllowance(new PlayerId("b"), "throw", 0, 9, true),
                new LoadAllowance(new PlayerId("a"), "jump", 0, 1, false),
            ],
        };
        var watch = new LoadWatch(practice);

        // Eight of nine is less than nine tenths; a tenth brings it there, and rest that is due is told from the first.
        Assert.Equal(["B: rest is due today, and 1 throw is counted"], Told());
        sheet.Taps("a-");
        Assert.Equal(["A: 9 throws today; the limit for this age is 9", "B: rest is due today, and 1 throw is counted"], Told());

        string[] Told() =>
            [
                .. watch
                    .At(sheet.Log.LastAt)
                    .Select(each => LoadWords.Now(sheet.Head.NameOf(each.Allowance.Player), each.Allowance, each.Count)),
            ];
    }
}
