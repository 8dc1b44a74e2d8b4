using KeepTally.Core.Formats;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Formats;

/// <summary>What no screen could show and no coach could read is told with its place, and at once.</summary>
public sealed class CardSizesTests
{
    private static string Card(string more, string name = "D") =>
        $$"""{"format":"keep-tally/drill@1","id":"d","name":"{{name}}","stages":[{"outcomes":{{Given.MakeAndMiss}}}]{{more}}}""";

    private static string Repeated(string item, int times) => string.Join(',', Enumerable.Repeat(item, times));

    public static TheoryData<string, string, string> TooMuch =>
        new()
        {
            { Card("", new string('x', 121)), "name", "at most 120 characters" },
            { Card($$""","purpose":"{{new string('x', 501)}}" """), "purpose", "at most 500 characters" },
            { Card($$""","cues":[{{Repeated("\"c\"", 31)}}]"""), "cues", "at most 30" },
            { Card($$""","cautions":[{{Repeated("""{"kind":"contact","text":"t"}""", 21)}}]"""), "cautions", "at most 20" },
            { Card(""","variantOf":"d" """), "variantOf", "name another card" },
            {
                Card(""","layout":{"surface":"handball","marks":[{"id":"a","kind":"cone","x":100000,"y":1}]}"""),
                "layout.marks[0].x",
                "from -1000 to 1000"
            },
            { Card($$""","sports":[{{Repeated("\"s\"", 201)}}]"""), "sports", "at most 200" },
            {
                $$"""{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{{Repeated("""{"name":"s"}""", 21)}}]}""",
                "stages",
                "at most 20"
            },
        };

    [Theory]
    [MemberData(nameof(TooMuch))]
    public void Too_much_is_told_with_its_place(string json, string path, string fix)
    {
        var fault = Assert.Single(CardReader.Read(json).Faults);

        Assert.Equal(path, fault.Path);
        Assert.Contains(fix, fault.Fix, StringComparison.Ordinal);
    }

    [Fact]
    public void A_card_as_long_as_a_book_is_refused_whole()
    {
        var fault = Assert.Single(
            CardReader.Read(Card($$""","cues":[{{Repeated("\"" + new string('x', 490) + "\"", 450)}}]""")).Faults
        );

        Assert.Contains("200000", fault.Fix, StringComparison.Ordinal);
    }

    [Fact]
    public void The_usual_card_is_far_from_every_limit() =>
        Assert.All(ShippedCard.Ids, id => Assert.True(ShippedCard.Text(id).Length < CardSizes.Longest / 10));
}
