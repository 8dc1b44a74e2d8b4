using System.Globalization;
using System.Net;
using System.Xml.Linq;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Store.Book;
using KeepTally.Web.Drawing;

namespace KeepTally.Web.Tests.SetUp;

/// <summary>The set-up of a drill: its picture, its walk, its card to print, and the paces it is told in.</summary>
public sealed class SetUpPageTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task What_is_drawn_is_to_scale()
    {
        var coach = _home.Visit();
        var file = await coach.GetAsync("/drills/three-gates/set-up?handler=Svg");
        Assert.Equal("image/svg+xml", file.Content.Headers.ContentType?.MediaType);
        var svg = XElement.Parse(await file.Content.ReadAsStringAsync());

        // One unit is one metre: half a handball court is 20 by 20, its goal 3 m wide in the middle of the goal line (IHF rule 1).
        var ground = Of(svg, "rect", "floor-ground is-court");
        Assert.Equal((20, 20), (Number(ground, "width"), Number(ground, "height")));
        var goal = Of(svg, "line", "floor-goal");
        Assert.Equal((0, 11.5, 0, 8.5), (Number(goal, "x1"), Number(goal, "y1"), Number(goal, "x2"), Number(goal, "y2")));
        // The bar beneath is as long as it says.
        var bar = svg.Descendants().Single(each => (string?)each.Attribute("class") == "scale-bar");
        var metres = bar.Elements().Last().Value.Split(' ')[0];
        Assert.Contains($"h{metres} ", (string)bar.Elements().First().Attribute("d")!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Paces_are_walked_once_and_everything_is_told_in_them()
    {
        var coach = _home.Visit();
        Assert.Contains("In usual paces of 75 cm", await TextAsync(coach, "/drills/three-gates/set-up"), StringComparison.Ordinal);

        var walked = await coach.PostAsync("/paces", "/paces", ("length", "20"), ("paces", "25"));
        Assert.Equal(HttpStatusCode.Redirect, walked.StatusCode);
        await coach.PostAsync("/paces?handler=Unit", "/paces", ("unit", "Paces"));

        var page = await TextAsync(coach, "/drills/three-gates/set-up");
        Assert.Contains("In your own paces of 80 cm", page, StringComparison.Ordinal);
        // From the seven-metre line the middle cone is 2.5 m out and the others 1 m out and 5 m to a side.
        Assert.Contains("six paces and half a foot (5 m)", page, StringComparison.Ordinal);
        // The bar beneath the picture is in them, too: five of 80 cm are 4 m.
        var svg = await (await coach.GetAsync("/drills/three-gates/set-up?handler=Svg")).Content.ReadAsStringAsync();
        Assert.Matches("h4 v[^>]*>[^<]*<text[^>]*>5 paces<", svg.ReplaceLineEndings(" "));
        Assert.Contains("Your pace is 80 cm.", await TextAsync(coach, "/paces"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("20", "5", "4 to")]
    [InlineData("20", "many", "is no number of paces")]
    [InlineData("2", "3", "too short")]
    [InlineData("", "26", "is no length")]
    [InlineData("26p", "26", "is no length")]
    public async Task A_walk_that_tells_no_stride_is_told_with_its_fix_and_what_was_typed_stands(
        string length,
        string paces,
        string told
    )
    {
        var coach = _home.Visit();
        var answer = await coach.PostAsync("/paces", "/paces", ("length", length), ("paces", paces));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync());
        if (told != "4 to")
        {
            Assert.Contains(told, page, StringComparison.Ordinal);
        }

        Assert.Contains($"value=\"{paces}\"", page, StringComparison.Ordinal);
        Assert.Contains("The usual one is 75 cm", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_card_to_print_holds_the_picture_the_walk_what_to_bring_and_the_cautions()
    {
        var page = (await _home.Visit().ReadAsync("/drills/corner-calls/set-up/card")).Body!.OuterHtml;
        Assert.Contains("scale-bar", page, StringComparison.Ordinal);
        Assert.Contains("Nothing to put down", page, StringComparison.Ordinal);
        Assert.Contains("2 balls for each group", page, StringComparison.Ordinal);
        Assert.Contains("Care, throwing load", page, StringComparison.Ordinal);
        Assert.Contains("Your league's rules and medical people come first.", page, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await _home.Visit().GetAsync("/drills/nowhere/set-up/card")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await _home.Visit().GetAsync("/drills/nowhere/set-up")).StatusCode);
    }

    /// <summary>Zones on the run screen lie as on the layout, and none is smaller than a thumb on a phone.</summary>
    [Theory]
    [InlineData("corner-calls")]
    [InlineData("long-short")]
    [InlineData("three-lanes")]
    [InlineData("serve-squares")]
    public async Task Zones_are_tapped_where_they_lie(string id)
    {
        var card = (await _home.WithAsync<DrillBook, BookPage?>(book => book.FindAsync(id, null)))!.Card;
        var targets = card.Stages[0].Targets!;
        var picture = ZonePicture.Of(card.Layout, targets)!;
        var scene = card.Layout!.By(Stride.Usual);
        foreach (var one in targets.Names)
        {
            foreach (var other in targets.Names)
            {
                // What is further right and further up on the layout is so on the screen.
                var (a, b) = (scene.Find(one)!.Middle, scene.Find(other)!.Middle);
                Assert.Equal(
                    Math.Sign(Math.Round(a.X - b.X, 3)),
                    Math.Sign(Share(picture, one, "at-") - Share(picture, other, "at-"))
                );
                Assert.Equal(
                    Math.Sign(Math.Round(b.Y - a.Y, 3)),
                    Math.Sign(Share(picture, one, "down-") - Share(picture, other, "down-"))
                );
            }
        }
    }

    [Fact]
    public void Zones_too_small_for_a_thumb_or_across_each_other_keep_plain_buttons()
    {
        var targets = new Targets(["a", "b"], 1, 1);
        Diagram Drawn(string a, string b) =>
            LayoutReader.Read($$"""{"marks":[{"id":"a","kind":"zone",{{a}}},{"id":"b","kind":"zone",{{b}}}]}""").Require();
        Assert.NotNull(
            ZonePicture.Of(Drawn("\"x\":0,\"y\":0,\"length\":2,\"width\":2", "\"x\":2,\"y\":0,\"length\":2,\"width\":2"), targets)
        );
        Assert.Null(
            ZonePicture.Of(Drawn("\"x\":0,\"y\":0,\"length\":2,\"width\":2", "\"x\":1,\"y\":0,\"length\":2,\"width\":2"), targets)
        );
        Assert.Null(
            ZonePicture.Of(
                Drawn("\"x\":0,\"y\":0,\"length\":0.3,\"width\":2", "\"x\":18,\"y\":0,\"length\":2,\"width\":2"),
                targets
            )
        );
        Assert.Null(ZonePicture.Of(null, targets));
    }

    private static async Task<string> TextAsync(Visitor visitor, string path) => (await visitor.ReadAsync(path)).Body!.TextContent;

    private static int Share(ZonePicture picture, string zone, string kind) =>
        int.Parse(
            picture.Of(zone).Split(' ').Single(each => each.StartsWith(kind, StringComparison.Ordinal))[kind.Length..],
            CultureInfo.InvariantCulture
        );

    private static XElement Of(XElement svg, string name, string kind) =>
        svg.Descendants().Single(each => each.Name.LocalName == name && (string?)each.Attribute("class") == kind);

    private static double Number(XElement element, string name) =>
        double.Parse((string)element.Attribute(name)!, CultureInfo.InvariantCulture);
}
