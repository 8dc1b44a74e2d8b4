using System.Net;
using AngleSharp.Html.Dom;

namespace KeepTally.Web.Tests.Pages;

/// <summary>A form that arrives without its fields is refused, and nothing is stored as a default.</summary>
public sealed class WholeFormsTests(Installation home) : IClassFixture<Installation>
{
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
    [InlineData("/?handler=Mark", "practice=1", "player=1")]
    [InlineData("/?handler=Limit", "practice=1", "player=1")]
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
        var visitor = home.Visit();
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
        var visitor = home.Visit();
        using var list = await SendAsync(visitor, await visitor.OpenAsync("/squad/import"), "/squad/import", "text=1");
        using var card = await SendAsync(visitor, await visitor.OpenAsync("/drills/import"), "/drills/import", "text=shoe");

        Assert.Equal((HttpStatusCode.UnprocessableEntity, HttpStatusCode.UnprocessableEntity), (list.StatusCode, card.StatusCode));
        Assert.NotNull((await Visitor.ParsedAsync(list)).QuerySelector("#wrong"));
    }
}
