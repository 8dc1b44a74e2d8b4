using System.Net;
using System.Xml.Linq;

namespace KeepTally.Web.Tests.Book;

/// <summary>The small pictures of the drill book.</summary>
public sealed class ThumbTests(Results.PastPageTests.Club club) : IClassFixture<Results.PastPageTests.Club>
{
    [Fact]
    public async Task Every_card_with_a_layout_has_one_that_a_device_keeps_for_good()
    {
        var visitor = club.Home.Visit();
        var page = await visitor.OpenAsync("/drills");
        var pictures = page.QuerySelectorAll("img.tile-picture").Select(each => each.GetAttribute("src")!).ToArray();
        Assert.True(pictures.Length >= 30);
        foreach (var address in pictures)
        {
            using var answer = await visitor.GetAsync(address);
            Assert.Equal((HttpStatusCode.OK, "image/svg+xml"), (answer.StatusCode, answer.Content.Headers.ContentType!.MediaType));
            Assert.Contains("immutable", answer.Headers.CacheControl!.ToString(), StringComparison.Ordinal);
            var drawing = XDocument.Parse(await answer.Content.ReadAsStringAsync()).Root!;
            // Legible at 96 pixels: what stands on the floor is a twentieth of the picture at least.
            var width = double.Parse(
                ((string)drawing.Attribute("viewBox")!).Split(' ')[2],
                System.Globalization.CultureInfo.InvariantCulture
            );
            Assert.All(
                drawing.Elements().Where(each => each.Name.LocalName == "rect").Skip(1),
                player => Assert.True((double)player.Attribute("width")! > width / 20)
            );
        }

        using var none = await visitor.GetAsync("/drills/nowhere?handler=Thumb&version=1");
        Assert.Equal(HttpStatusCode.NotFound, none.StatusCode);
    }
}
