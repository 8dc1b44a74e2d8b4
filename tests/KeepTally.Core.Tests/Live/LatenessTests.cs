using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Live;

/// <summary>Two drills of ten minutes, the first due at 0, the second at 11:00 after a minute's walk.</summary>
public sealed class LatenessTests
{
    private readonly LivePractice _practice = new(new DeviceId("coach"), [Run("one", 0), Run("two", 11)]);

    private static LiveRun Run(string name, double due) =>
        new(name, [new RunSheet(new SheetId(name), "", Given.Open(Given.Card(""), "a"))], Duration.FromMinutes(10))
        {
            PlannedStart = At(due),
        };

    private static Instant At(double minutes) => new((long)(minutes * 60_000));

    private string Said(double minutes, double spare = 0) =>
        LatenessWords.Of(Lateness.Of(_practice, At(minutes)), Duration.FromMinutes(spare));

    [Fact]
    public void It_is_behind_by_what_began_late_and_by_what_takes_too_long()
    {
        Assert.Equal("", Said(0.9));
        Assert.Equal("ends 2 min late", Said(2.5));
        _practice.Execute(RunCommand.Start, At(2.5));
        Assert.Equal("ends 2 min late", Said(11));
        Assert.Equal("ends 4 min late", Said(14.6));
        _practice.Execute(RunCommand.End, At(14.6));
        Assert.Equal("ends 3 min late", Said(14.6));
    }

    [Theory]
    [InlineData(5, "ends on time")]
    [InlineData(1, "ends 2 min late")]
    [InlineData(-2, "ends 5 min late")]
    public void What_the_sheet_has_to_spare_makes_up_for_it(double spare, string said) => Assert.Equal(said, Said(3.2, spare));

    [Fact]
    public void Who_ends_early_is_ahead_until_the_next_is_due()
    {
        _practice.Execute(RunCommand.Start, At(0));
        _practice.Execute(RunCommand.End, At(7));
        Assert.Equal("3 min ahead", Said(7.2));
        Assert.Equal("", Said(10.5));
        _practice.Execute(RunCommand.Start, At(8));
        Assert.Equal("3 min ahead", Said(12));
        _practice.Execute(RunCommand.End, At(18));
        Assert.Equal("", Said(18));
    }

    [Fact]
    public void A_sheet_without_times_and_what_is_not_due_yet_say_nothing()
    {
        Assert.Null(Lateness.Of(new LivePractice(new DeviceId("x"), [Run("one", 5)]), At(2)));
        Assert.Null(Lateness.Of(new LivePractice(new DeviceId("x"), [new LiveRun("", [])]), At(2)));
    }
}
