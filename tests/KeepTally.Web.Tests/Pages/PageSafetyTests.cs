using System.Net;

namespace KeepTally.Web.Tests.Pages;

/// <summary>What every page says of itself to browsers and to caches on the way.</summary>
public sealed class PageSafetyTests(Installation home) : IClassFixture<Installation>
{
    [Theory]
    [InlineData("/results")]
    [InlineData("/results/1")]
    [InlineData("/results/1?handler=Csv")]
    [InlineData("/squad")]
    [InlineData("/squad?handler=Csv")]
    [InlineData("/run/1")]
    [InlineData("/board/1")]
    public async Task What_is_shown_of_players_is_kept_by_no_cache_on_the_way(string address)
    {
        await home.BegunAsync();
        using var answer = await home.Visit().Http.GetAsync(new Uri(address, UriKind.Relative));

        Assert.True(answer.Headers.CacheControl?.NoStore, address);
        Assert.False(answer.Headers.CacheControl!.Public);
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/squad")]
    [InlineData("/drills")]
    [InlineData("/drills/three-gates")]
    [InlineData("/drills/edit/three-gates")]
    [InlineData("/groups/1")]
    [InlineData("/circuit/new?practice=1")]
    [InlineData("/run/1")]
    [InlineData("/board/1")]
    [InlineData("/results/1")]
    [InlineData("/kept")]
    [InlineData("/nowhere")]
    public async Task A_page_holds_no_style_and_no_script_in_its_markup_and_its_policy_lets_none_stand(string address)
    {
        await home.BegunAsync();
        using var answer = await home.Visit().Http.GetAsync(new Uri(address, UriKind.Relative));
        var policy = string.Join(' ', answer.Headers.GetValues("Content-Security-Policy"));
        var page = await Visitor.ParsedAsync(answer);

        Assert.DoesNotContain("unsafe-inline", policy, StringComparison.Ordinal);
        Assert.DoesNotContain(
            "unsafe-eval'",
            policy.Replace("'wasm-unsafe-eval'", "", StringComparison.Ordinal),
            StringComparison.Ordinal
        );
        Assert.Empty(page.QuerySelectorAll("[style], style"));
        Assert.All(page.QuerySelectorAll("script:not([src])"), data => Assert.Equal("application/json", data.GetAttribute("type")));
        Assert.DoesNotContain(
            page.All.SelectMany(each => each.Attributes),
            attribute => attribute.Name.StartsWith("on", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task A_stream_of_an_unknown_practice_is_not_found()
    {
        using var answer = await home.Visit().Http.GetAsync(new Uri("/api/practices/999/events", UriKind.Relative));
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }
}
