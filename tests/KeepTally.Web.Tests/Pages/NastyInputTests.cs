using System.Net;
using AngleSharp.Html.Dom;

namespace KeepTally.Web.Tests.Pages;

/// <summary>Whatever a form is filled with, and whatever a page is asked for, the answer is never a 500.</summary>
public sealed class NastyInputTests(Installation home) : IClassFixture<Installation>
{
    private static readonly string[] Nasty =
    [
        "NaN",
        "1e999",
        "-1",
        "99999999999999999999",
        "\ud800",
        "\u0000",
        "'; DROP TABLE Events; --",
        "{\"a\":\"\\ud800\"}",
        "",
        new string('x', 5000),
    ];

    [Theory]
    [InlineData("/")]
    [InlineData("/squad")]
    [InlineData("/squad/import")]
    [InlineData("/drills")]
    [InlineData("/drills/three-gates")]
    [InlineData("/drills/edit/three-gates")]
    [InlineData("/drills/edit/corner-calls")]
    [InlineData("/drills/import")]
    [InlineData("/groups/1")]
    [InlineData("/circuit/new?practice=1")]
    public async Task No_form_filled_with_nonsense_gives_a_500(string path)
    {
        var visitor = home.Visit();
        var page = await visitor.OpenAsync(path);
        foreach (var form in page.Forms.Where(form => form.Method == "post"))
        {
            var fields = form.Elements.OfType<IHtmlElement>().Select(Field).Where(field => field.Name.Length > 0).ToArray();
            foreach (var nasty in Nasty)
            {
                foreach (
                    var (name, _) in fields
                        .Where(field => field.Name != "__RequestVerificationToken")
                        .DistinctBy(field => field.Name)
                        .Take(40)
                )
                {
                    using var content = new FormUrlEncodedContent(
                        fields.Select(field => KeyValuePair.Create(field.Name, field.Name == name ? nasty : field.Value))
                    );
                    var action = form.GetAttribute("action") is { Length: > 0 } given ? given : path;
                    using var response = await visitor.Http.PostAsync(new Uri(action, UriKind.Relative), content);

                    Assert.True((int)response.StatusCode < 500, $"{action}: {name} = {nasty[..Math.Min(30, nasty.Length)]}");
                }
            }
        }
    }

    private static (string Name, string Value) Field(IHtmlElement element) =>
        element switch
        {
            IHtmlInputElement input => (input.Name ?? "", input.Value),
            IHtmlTextAreaElement area => (area.Name ?? "", area.Value),
            IHtmlSelectElement select => (select.Name ?? "", select.Value ?? ""),
            _ => ("", ""),
        };
}

/// <summary>A page asked for what it has no way to do.</summary>
public sealed class PageMethodTests(Installation home) : IClassFixture<Installation>
{
    [Theory]
    [InlineData("/")]
    [InlineData("/drills/three-gates")]
    [InlineData("/results")]
    [InlineData("/offline")]
    [InlineData("/board/1")]
    public async Task What_a_page_cannot_do_it_says_so(string path)
    {
        await home.BegunAsync();
        var visitor = home.Visit();
        var page = await visitor.OpenAsync("/");
        var token = ((IHtmlInputElement)page.QuerySelector("input[name=__RequestVerificationToken]")!).Value;
        using var form = new FormUrlEncodedContent([new("__RequestVerificationToken", token)]);
        using var posted = await visitor.Http.PostAsync(new Uri(path, UriKind.Relative), form);
        using var unknown = await visitor.Http.GetAsync(new Uri($"{path}?handler=Nothing", UriKind.Relative));

        Assert.True(posted.StatusCode is HttpStatusCode.MethodNotAllowed or HttpStatusCode.BadRequest, $"{posted.StatusCode}");
        Assert.True(unknown.StatusCode is HttpStatusCode.NotFound or HttpStatusCode.OK, $"{unknown.StatusCode}");
    }
}
