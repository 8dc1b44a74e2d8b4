using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>People who come, go and change places over a whole practice.</summary>
public sealed class PracticePeopleTests
{
    private readonly LivePractice _practice = new(
        new DeviceId("me"),
        [
            new LiveRun("one", [Open("s1", ["a", "b", "c"], "defx"), Open("s2", ["d", "e"], "abcx")]),
            new LiveRun("two", [Open("s3", ["d", "a"], "bcex"), Open("s4", ["b", "c", "e"], "ad")]),
        ]
    );

    private static RunSheet Open(string id, string[] units, string bench)
    {
        var card = Given.Card("");
        var head = new LogHead(
            card.Id,
            0,
            card.Chosen,
            [.. units.Select(unit => new Unit(new PlayerId(unit), unit, []))],
            0,
            [.. bench.Select(player => new Member(new PlayerId($"{player}"), $"{player}"))]
        );
        return new RunSheet(new SheetId(id), id, Sheet.Open(card, head).Require());
    }

    private string Everyone() =>
        string.Join(
            ' ',
            _practice.Runs.SelectMany(run => run.Sheets).Select(each => string.Concat(each.Sheet.Score.Roster.Everyone))
        );

    [Fact]
    public void A_late_one_joins_the_smallest_group_of_every_drill_left_and_a_leaver_leaves_them_all()
    {
        _practice.ChangeRoster(new RosterChange(null, new PlayerId("x")), new Instant(10));
        Assert.Equal("abc dex dax bce", Everyone());

        var appended = _practice.ChangeRoster(new RosterChange(new PlayerId("b"), null), new Instant(20));
        Assert.Equal("ac dex dax ce", Everyone());

        _practice.Undo(appended[0].Sheet, appended[0].Event.Id, new Instant(30));
        Assert.Equal("abc dex dax bce", Everyone());
    }

    [Fact]
    public void Two_who_change_groups_do_so_in_this_drill_only()
    {
        Assert.Equal(2, _practice.ChangeRoster(new RosterChange(new PlayerId("a"), new PlayerId("d")), new Instant(40)).Count);
        Assert.Equal("bcd ea da bce", Everyone());
        Assert.Empty(_practice.ChangeRoster(new RosterChange(new PlayerId("nobody"), null), new Instant(41)));
    }
}
