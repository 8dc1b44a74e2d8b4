using KeepTally.Core.Formats;
using KeepTally.Core.Links;
using KeepTally.Core.Planning;

namespace KeepTally.Core.Tests.Links;

/// <summary>Cards and plans in a link, docs/formats.md, section 11.</summary>
public sealed class LinkTests
{
    private static BookCard Card(string id) =>
        BookReader.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "shipped", $"{id}.json"))).Value!.Single();

    private static readonly Plan Practice = PlanReader
        .Read(
            """
            {"format": "keep-tally/plan@1", "title": "Shooting", "date": "2026-12-01", "start": "17:30", "place": "Our hall", "minutes": 60,
             "players": 12, "coaches": 2, "equipment": {"ball": 20}, "reserve": ["warm-hands"],
             "blocks": [{"drill": "three-gates", "minutes": 6.5, "groups": 4, "takes": ["Robin Teal"]}, {"break": "Water", "minutes": 2},
               {"drill": "minute-trios", "minutes": 4, "groups": 4}]}
            """
        )
        .Value!;

    [Fact]
    public void A_card_comes_out_as_it_went_in()
    {
        var card = Card("three-gates");
        var read = LinkReader.Read(LinkWriter.Write(new LinkContent(null, [card], new Dictionary<string, string>()))).Value!;
        Assert.Equal(card.Json, read.Cards.Single().Json);
        Assert.Equal(("Three gates", "A drill card."), (LinkWords.Title(read), LinkWords.Kind(read)));
        Assert.Contains(LinkWords.Lines(read), line => line.Contains("five of seven", StringComparison.Ordinal));
    }

    [Fact]
    public void A_plan_goes_without_people_day_place_and_equipment()
    {
        var names = new Dictionary<string, string> { ["minute-trios"] = "Minute trios" };
        var text = LinkWriter.Write(new LinkContent(Practice, [Card("three-gates")], names));
        Assert.All(
            new[] { "Robin", "Our hall", "2026-12-01", "equipment\":{", "warm-hands", "coaches" },
            kept =>
                Assert.DoesNotContain(kept, text[..text.IndexOf("\"cards\"", StringComparison.Ordinal)], StringComparison.Ordinal)
        );
        var read = LinkReader.Read(text).Value!;
        Assert.Equal(
            LinkContent.Bare(Practice).Blocks.Select(block => block.Seconds),
            read.Plan!.Blocks.Select(block => block.Seconds)
        );
        Assert.Equal("A plan of 60 minutes for 12 players.", LinkWords.Kind(read));
        Assert.Equal(
            ["Three gates, 6.5 min", "Water, 2 min", "Minute trios, 4 min", "Comes with one card of the other club: Three gates."],
            LinkWords.Lines(read)
        );
    }

    [Theory]
    [InlineData("{}", "format")]
    [InlineData("""{"format":"keep-tally/link@2","cards":[]}""", "format")]
    [InlineData("""{"format":"keep-tally/link@1","cards":[]}""", "")]
    [InlineData("""{"format":"keep-tally/link@1","cards":[{"format":"keep-tally/drill@1"}]}""", "cards[0].")]
    [InlineData("""{"format":"keep-tally/link@1","plan":{"format":"keep-tally/plan@1"}}""", "plan.")]
    [InlineData("""{"format":"keep-tally/link@1","names":{"a":1},"cards":[]}""", "names.a")]
    [InlineData("not json", "")]
    public void What_is_wrong_is_named_by_its_path(string text, string path)
    {
        var read = LinkReader.Read(text);
        Assert.False(read.IsOk);
        Assert.Contains(read.Faults, fault => fault.Path.StartsWith(path, StringComparison.Ordinal));
    }

    [Fact]
    public void A_spoilt_link_is_read_or_refused_and_never_more()
    {
        var text = LinkWriter.Write(new LinkContent(Practice, [Card("three-gates")], new Dictionary<string, string>()));
        var draw = new Random(11);
        for (var i = 0; i < 500; i++)
        {
            var letters = text.ToCharArray();
            for (var change = draw.Next(1, 4); change > 0; change--)
            {
                letters[draw.Next(letters.Length)] = (char)draw.Next(32, 127);
            }

            var read = LinkReader.Read(new string(letters));
            Assert.True(read.IsOk ? LinkWords.Lines(read.Value).Count > 0 : read.Faults.Count > 0);
        }
    }
}
