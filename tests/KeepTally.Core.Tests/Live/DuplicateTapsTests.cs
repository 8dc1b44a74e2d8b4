using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>Two people see one thing and both tap it: told as two, and asked about (common practice where two keep one sheet).</summary>
public sealed class DuplicateTapsTests
{
    private readonly Sheet _sheet = Given.Started(Given.Card(""), "a", "b");

    [Fact]
    public void The_same_tap_from_two_devices_within_three_seconds_is_asked_about_and_counts_twice()
    {
        Say("one", 1, 10_000, "a", "make");
        Say("two", 1, 11_500, "a", "make");
        var twice = DuplicateTaps.In(_sheet, new Instant(12_000));
        Assert.Equal(("one", "two"), (twice?.First.Id.Device.Value, twice?.Second.Id.Device.Value));
        Assert.Equal(2, _sheet.Now().Units[0].Points);
    }

    [Theory]
    [InlineData("one", 11_000, "a", "make")]
    [InlineData("two", 13_500, "a", "make")]
    [InlineData("two", 11_000, "b", "make")]
    [InlineData("two", 11_000, "a", "miss")]
    public void One_device_alone_or_later_or_another_player_or_something_else_is_not(
        string device,
        long at,
        string unit,
        string outcome
    )
    {
        Say("one", 1, 10_000, "a", "make");
        Say(device, 2, at, unit, outcome);
        Assert.Null(DuplicateTaps.In(_sheet, new Instant(14_000)));
    }

    [Theory]
    [InlineData(13_000, true)]
    [InlineData(13_001, false)]
    public void Three_seconds_are_near_enough_and_more_are_not(long at, bool asked)
    {
        Say("one", 1, 10_000, "a", "make");
        Say("two", 1, at, "a", "make");
        Assert.Equal(asked, DuplicateTaps.In(_sheet, new Instant(14_000)) is not null);
    }

    [Fact]
    public void Taken_back_it_is_settled_and_after_a_minute_nobody_is_asked()
    {
        Say("one", 1, 10_000, "a", "make");
        Say("two", 1, 10_500, "a", "make");
        Assert.Null(DuplicateTaps.In(_sheet, new Instant(71_000)));
        _sheet.Add(
            new RunEvent.Undo(new EventId(new DeviceId("one"), 2), new Instant(12_000), new EventId(new DeviceId("two"), 1))
        );
        Assert.Null(DuplicateTaps.In(_sheet, new Instant(13_000)));
        Assert.Equal(1, _sheet.Now().Units[0].Points);
    }

    private void Say(string device, int n, long at, string unit, string outcome) =>
        Assert.Null(
            _sheet.Add(
                new RunEvent.Tap(
                    new EventId(new DeviceId(device), n),
                    new Instant(at),
                    new PlayerId(unit),
                    outcome,
                    null,
                    null,
                    null
                )
            )
        );
}
