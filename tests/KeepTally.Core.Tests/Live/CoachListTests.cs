using KeepTally.Core.Live;

namespace KeepTally.Core.Tests.Live;

public sealed class CoachListTests
{
    [Theory]
    [InlineData("spacing\n  first touch \n\nSpacing\r\nsafety", "spacing|first touch|safety")]
    [InlineData("one", "one")]
    public void Each_line_is_a_reason_once(string text, string expected) =>
        Assert.Equal(expected, string.Join('|', CoachList.StopReasons.Read(text).Require()));

    [Theory]
    [InlineData("", "there are 0 reasons")]
    [InlineData(" \n ", "there are 0 reasons")]
    [InlineData("a\nb\nc\nd\ne\nf\ng\nh\ni\nj\nk\nl\nm", "there are 13 reasons")]
    [InlineData("a reason that no button could ever hold", "too long for a button")]
    public void A_list_that_no_screen_could_hold_is_told(string text, string problem) =>
        Assert.Contains(problem, CoachList.StopReasons.Read(text).Faults[0].Problem, StringComparison.Ordinal);

    [Fact]
    public void What_a_team_begins_with_reads_as_it_is_written() =>
        Assert.Equal(
            CoachList.StopReasons.Usual,
            CoachList.StopReasons.Read(CoachList.Write(CoachList.StopReasons.Usual)).Require()
        );

    [Fact]
    public void A_team_may_look_for_nothing_but_stops_for_something()
    {
        Assert.Empty(CoachList.Habits.Read(" ").Require());
        Assert.Empty(CoachList.Habits.Of(""));
        Assert.Empty(CoachList.Habits.Of(null));
        Assert.Equal(CoachList.StopReasons.Usual, CoachList.StopReasons.Of(""));
    }
}
