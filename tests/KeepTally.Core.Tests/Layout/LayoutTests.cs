using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Layout;

public sealed class LayoutTests
{
    [Theory]
    [InlineData("7.5", 7.5)]
    [InlineData("\"4p\"", 3.0)]
    [InlineData("\"15ft\"", 4.572)]
    [InlineData("\"15yd\"", 13.716)]
    public void Distances_are_metres_paces_feet_or_yards(string written, double metres) =>
        Assert.Equal(
            metres,
            Read($$"""{"marks":[{"id":"c","kind":"cone","x":{{written}},"y":1}]}""")
                .Require()
                .Layout!.By(Stride.Usual)
                .Marks[0]
                .At.X,
            6
        );

    [Fact]
    public void Paces_are_those_of_the_player_who_walks()
    {
        var diagram = Read("""{"marks":[{"id":"c","kind":"cone","x":"4p","y":"2.5p"}]}""").Require().Layout!;
        Assert.Equal(new Spot(3.6, 2.25), diagram.By(new Stride(0.9)).Marks[0].At);
    }

    [Theory]
    [InlineData("""{"surface":"the moon"}""", "layout.surface")]
    [InlineData("""{"surface":{"length":0,"width":10}}""", "layout.surface.length")]
    [InlineData("""{"surface":{"court":"handball","part":"most"}}""", "layout.surface.part")]
    [InlineData("""{"surface":{"court":"handball","length":38}}""", "layout.surface.length")]
    [InlineData("""{"marks":[{"id":"a","kind":"cone","x":"far","y":1}]}""", "layout.marks[0].x")]
    [InlineData("""{"marks":[{"id":"a"}],"paths":[{"from":"a","to":"b"}]}""", "layout.paths[0].to")]
    [InlineData("""{"marks":[{"id":"a","kind":"tree"}]}""", "layout.marks[0].kind")]
    [InlineData("""{"marks":[{"id":"a","kind":"zone","in":"goal"}]}""", "layout.marks[0].in")]
    [InlineData("""{"marks":[{"id":"a","kind":"zone","corners":[[0,0],[1,1]]}]}""", "layout.marks[0].corners")]
    [InlineData(
        """{"marks":[{"id":"a","kind":"zone","corners":[[0,0],[1],[1,1]]}]}""",
        "layout.marks[0].corners[1]",
        "layout.marks[0].corners"
    )]
    [InlineData("""{"steps":[{"text":"go","seconds":0}]}""", "layout.steps[0].seconds")]
    public void What_cannot_be_drawn_is_told_with_its_place(string layout, params string[] paths) =>
        Assert.Equal(paths, Read(layout).Faults.Select(fault => fault.Path));

    [Theory]
    [InlineData("""{"marks":[{"id":"a","size":3}],"colours":{}}""", "layout.colours", "layout.marks[0].size")]
    [InlineData("""{"surface":{"length":4,"width":3,"of":"sand"}}""", "layout.surface.of")]
    [InlineData("""{"steps":7}""", "layout.steps")]
    [InlineData("""{"steps":[{"text":"go","loud":true}]}""", "layout.steps[0].loud")]
    [InlineData(
        """{"marks":[{"id":"a"},{"id":"a"}],"paths":[{"from":"a","to":"a","bend":1}]}""",
        "layout.marks[1].id",
        "layout.paths[0].bend"
    )]
    public void What_is_not_known_is_passed_over_and_told(string layout, params string[] paths)
    {
        var card = Read(layout).Require();
        Assert.Equal(paths, CardDoubts.Of(card).Select(doubt => doubt.Path));
        Assert.NotNull(WalkList.Of(card.Layout!.By(Stride.Usual)));
    }

    public static TheoryData<string> All => [.. ShippedCard.Ids];

    [Theory]
    [MemberData(nameof(All))]
    public void What_is_written_reads_again_as_it_was(string id)
    {
        var diagram = ShippedCard.Read(id).Layout!;
        var text = LayoutWriter.Text(diagram);
        Assert.Equal(text, LayoutWriter.Text(LayoutReader.Read(text).Require()));
        Assert.Equal(diagram.Marks.Count, LayoutReader.Read(text).Require().Marks.Count);
    }

    [Fact]
    public void A_layout_alone_that_is_no_json_is_told_with_its_line() =>
        Assert.StartsWith("line 1", LayoutReader.Read("{").Faults.Single().Path, StringComparison.Ordinal);

    private static Result<DrillCard> Read(string layout) =>
        CardReader.Read($$"""{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{}],"layout":{{layout}}}""");
}
