using System.Net;
using AngleSharp.Html.Dom;

namespace KeepTally.Web.Tests.Pages;

/// <summary>A form that arrives without its fields is refused, and nothing is stored as a default.</summary>
public sealed class WholeFormsTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private static async Task<HttpResponseMessage> SendAsync(
        Visitor visitor,
        IHtmlDocument page,
        string address,
        params string[] fields
    )
    {
        var token = ((IHtmlInputElement)page.QuerySelector("input[name=__RequestVerificationToken]")!).Value;
        using var content = new FormUrlEncodedContent([
            new("__RequestVerificationToken", token),
            .. fields.Select(field => KeyValuePair.Create(field.Split('=')[0], field.Split('=')[1])),
        ]);
        return await visitor.Http.PostAsync(new Uri(address, UriKind.Relative), content);
    }

    [Theory]
    [InlineData("/?handler=Split", "practice=1")]
    [InlineData("/?handler=Split", "practice=1", "way=nothing", "seed=1")]
    [InlineData("/?handler=Split", "practice=1", "way=Shuffle", "seed=many")]
    [InlineData("/?handler=TakeOff", "practice=1")]
    [InlineData("/?handler=Mark", "practice=1", "player=1")]
    [InlineData("/?handler=Limit", "practice=1", "player=1")]
    [InlineData("/?handler=Fit", "practice=1", "block=1")]
    [InlineData("/groups/1?handler=Split")]
    [InlineData("/groups/1?handler=Means", "balls=4")]
    [InlineData("/groups/1?handler=Count", "block=1", "number=3")]
    [InlineData("/groups/1?handler=Move", "player=p1")]
    [InlineData("/groups/1?handler=Pair", "one=1")]
    [InlineData("/squad?handler=Reasons")]
    [InlineData("/squad?handler=Habits")]
    [InlineData("/squad?handler=Team")]
    [InlineData("/squad", "Form.Name=Nobody")]
    [InlineData("/squad?edit=1", "Form.Name=Nobody")]
    [InlineData("/drills/three-gates?handler=Put")]
    [InlineData("/drills/three-gates?handler=Put", "minutes=8")]
    public async Task Without_its_fields_it_is_refused_and_changes_nothing(string address, params string[] fields)
    {
        var visitor = _home.Visit();
        var before = await TextAsync(visitor);
        var page = await visitor.OpenAsync(address.Split('?')[0]);

        using var answer = await SendAsync(visitor, page, address, fields);

        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal(before, await TextAsync(visitor));
    }

    private static async Task<string> TextAsync(Visitor visitor) =>
        (await visitor.OpenAsync("/")).Body!.TextContent + (await visitor.OpenAsync("/squad")).Body!.TextContent;

    [Fact]
    public async Task A_faulty_import_is_answered_as_one()
    {
        var visitor = _home.Visit();
        using var list = await SendAsync(visitor, await visitor.OpenAsync("/squad/import"), "/squad/import", "text=shoe");
        using var card = await SendAsync(visitor, await visitor.OpenAsync("/drills/import"), "/drills/import", "text=shoe");

        Assert.Equal((HttpStatusCode.UnprocessableEntity, HttpStatusCode.UnprocessableEntity), (list.StatusCode, card.StatusCode));
        Assert.NotNull((await Visitor.ParsedAsync(list)).QuerySelector("#wrong"));
    }

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
        await _home.BegunAsync();
        using var answer = await _home.Visit().Http.GetAsync(new Uri(address, UriKind.Relative));

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
        await _home.BegunAsync();
        using var answer = await _home.Visit().Http.GetAsync(new Uri(address, UriKind.Relative));
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
        using var answer = await _home.Visit().Http.GetAsync(new Uri("/api/practices/999/events", UriKind.Relative));
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }
}
