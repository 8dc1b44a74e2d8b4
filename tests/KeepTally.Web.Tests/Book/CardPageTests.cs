using AngleSharp.Html.Dom;

namespace KeepTally.Web.Tests.Book;

/// <summary>The page of a card, as those see it who may do different things with it.</summary>
public sealed class CardPageTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Theory]
    [InlineData("/drills/three-gates")]
    [InlineData("/drills")]
    public async Task An_assistant_is_offered_nothing_that_would_be_refused(string path)
    {
        var assistant = _home.VisitAs("Sam Wren");
        var page = await assistant.OpenAsync(path);

        Assert.DoesNotContain(page.Forms, form => form.Method == "post");
        Assert.DoesNotContain(
            page.QuerySelectorAll("main a[href]").OfType<IHtmlAnchorElement>(),
            link => link.PathName is "/drills/import" || link.PathName.StartsWith("/drills/edit", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task An_archived_card_says_so_and_is_restored_with_one_press()
    {
        var head = _home.Visit();
        using var archived = await head.SendAsync(await head.OpenAsync("/drills/three-gates"), "#archive");
        var page = await head.OpenAsync("/drills/three-gates");
        Assert.Contains("This card is archived.", page.QuerySelector("#restore")!.TextContent, StringComparison.Ordinal);
        Assert.Null(page.QuerySelector("#archive"));

        using var restored = await head.SendAsync(page, "#restore");
        var after = await head.OpenAsync("/drills/three-gates");
        Assert.Null(after.QuerySelector("#restore"));
        Assert.NotNull(after.QuerySelector("#archive"));
    }
}
