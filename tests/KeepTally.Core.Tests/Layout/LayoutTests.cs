using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Layout;

namespace KeepTally.Core.Tests.Layout;

public sealed class LayoutTests
{
    [Theory]
    [InlineData("7.5", 7.5)]
    [InlineData("\"4p\"", 3.0)]
    [InlineData("\"15ft\"", 4.572)]
    [InlineData("\"15yd\"", 13.716)]
    public void Distances_are_metres_paces_feet_or_yards(string written, double metres) =>
        // Source: the international foot, 0.3048 m exactly, and the yard of three of them (1959); a pace is 0.75 m until the coach's own is known.
        Assert.Equal(
            metres,
            Read($$"""{"marks":[{"id":"c","kind":"cone","x":{{written}},"y":1}]}""").Require().Layout!.Marks[0].X,
            6
        );

    [Theory]
    [InlineData("handball", 40, 20)]
    [InlineData("field hockey", 91.4, 55)]
    [InlineData("netball", 30.5, 15.25)]
    [InlineData("floorball", 40, 20)]
    [InlineData("ultimate", 100, 37)]
    [InlineData("badminton", 13.4, 6.1)]
    public void Surfaces_have_their_published_sizes(string sport, double length, double width) =>
        // Source: the sports' own rule books, from memory.
        Assert.Equal(new Surface(sport, length, width), Read($$"""{"surface":"{{sport}}"}""").Require().Layout!.Surface);

    [Theory]
    [InlineData("""{"surface":"the moon"}""", "layout.surface")]
    [InlineData("""{"marks":[{"id":"a","kind":"cone","x":"far","y":1}]}""", "layout.marks[0].x")]
    [InlineData("""{"marks":[{"id":"a"}],"paths":[{"from":"a","to":"b"}]}""", "layout.paths[0].to")]
    [InlineData("""{"marks":[{"id":"a","kind":"tree"}]}""", "layout.marks[0].kind")]
    public void What_cannot_be_drawn_is_told_with_its_place(string layout, string path) =>
        Assert.Equal(path, Read(layout).Faults.Single().Path);

    [Fact]
    public void What_a_later_form_may_add_to_a_mark_is_passed_over() =>
        Assert.Single(Read("""{"marks":[{"id":"a","kind":"zone","points":[[0,0],[1,1]]}]}""").Require().Layout!.Marks);

    private static Result<Cards.DrillCard> Read(string layout) =>
        CardReader.Read($$"""{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{}],"layout":{{layout}}}""");
}
