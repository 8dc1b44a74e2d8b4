using KeepTally.Core.Sheets;

namespace KeepTally.Core.Tests.Sheets;

public sealed class FloorTests
{
    private static LiveSheet Lines(string rotate) =>
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

    private static string Stood(LiveSheet sheet) =>
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

        sheet.Add(new RunEvent.Sub(new EventId("x", 1), 9000, "a", "d"));
        Assert.Equal("d|bc", Stood(sheet));
        sheet.Add(new RunEvent.Sub(new EventId("x", 2), 9001, "b", null));
        sheet.Add(new RunEvent.Sub(new EventId("x", 3), 9002, null, "e"));
        sheet.Add(new RunEvent.Sub(new EventId("x", 4), 9003, null, "e"));

        Assert.Equal("d|ce", Stood(sheet));
        Assert.Equal(2, sheet.Now().Of("a").Points);
    }

    [Fact]
    public void What_comes_next_is_told_before_it_happens()
    {
        var sheet = Lines("""{"on":"manual"}""");
        var next = sheet.Floor.Next;

        sheet.Add(new RunEvent.Rotate(new EventId("x", 1), 5000, null, null, null));

        Assert.Equal(next.At("s"), sheet.Floor.Now.At("s"));
        Assert.Equal(next.At("q"), sheet.Floor.Now.At("q"));
        Assert.Equal(["a"], sheet.Floor.Before.At("s"));
    }
}
