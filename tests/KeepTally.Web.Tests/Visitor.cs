using System.Net;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Microsoft.AspNetCore.TestHost;

namespace KeepTally.Web.Tests;

/// <summary>Someone with a browser and no scripts.</summary>
public sealed class Visitor(TestServer server)
{
    private readonly HttpClient _http = new(new CookieHandler(server.CreateHandler()))
    {
        BaseAddress = new Uri("http://localhost"),
    };

    public HttpClient Http => _http;

    public async Task<IHtmlDocument> OpenAsync(string path)
    {
        using var response = await _http.GetAsync(new Uri(path, UriKind.Relative));
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        return await ParsedAsync(response);
    }

    /// <summary>Sends a form as the page would, with what is given in place of what it holds.</summary>
    public async Task<HttpResponseMessage> SendAsync(IHtmlDocument page, string form, params (string Name, string Value)[] given) =>
        await SendAsync(page, form, null, given);

    public async Task<HttpResponseMessage> SendAsync(
        IHtmlDocument page,
        string form,
        string? action,
        params (string Name, string Value)[] given
    )
    {
        var element = (IHtmlFormElement)page.QuerySelector(form)!;
        var fields = element
            .Elements.SelectMany(Fields)
            .DistinctBy(field => field.Key)
            .ToDictionary(field => field.Key, field => field.Value);
        foreach (var (name, value) in given)
        {
            fields[name] = value;
        }

        using var content = new FormUrlEncodedContent(fields);
        return await _http.PostAsync(
            new Uri(action ?? element.GetAttribute("action") ?? page.Url, UriKind.RelativeOrAbsolute),
            content
        );
    }

    /// <summary>Sends every field of a form as a browser does, with what is given in place of what it holds.</summary>
    public async Task<HttpResponseMessage> PostAsync(
        IHtmlDocument page,
        string form,
        string address,
        params (string Name, string Value)[] given
    )
    {
        var fields = ((IHtmlFormElement)page.QuerySelector(form)!)
            .Elements.SelectMany(Fields)
            .Where(field => given.All(each => each.Name != field.Key))
            .Concat(given.Select(each => KeyValuePair.Create(each.Name, each.Value)));
        using var content = new FormUrlEncodedContent(fields);
        return await _http.PostAsync(new Uri(address, UriKind.Relative), content);
    }

    private static IEnumerable<KeyValuePair<string, string>> Fields(AngleSharp.Dom.IElement element) =>
        element switch
        {
            IHtmlInputElement { Name: { Length: > 0 } name, Type: "checkbox" } box => box.IsChecked ? [new(name, box.Value)] : [],
            IHtmlInputElement { Name: { Length: > 0 } name } input => [new(name, input.Value)],
            IHtmlTextAreaElement { Name: { Length: > 0 } name } area => [new(name, area.Value)],
            IHtmlSelectElement { Name: { Length: > 0 } name } select => [new(name, select.Value ?? "")],
            _ => [],
        };

    public static async Task<IHtmlDocument> ParsedAsync(HttpResponseMessage response) =>
        new HtmlParser().ParseDocument(await response.Content.ReadAsStringAsync());

    private sealed class CookieHandler(HttpMessageHandler inner) : DelegatingHandler(inner)
    {
        private readonly CookieContainer _cookies = new();

        protected override async Task<HttpResponseMessage> SendAsync(
            HttpRequestMessage request,
            CancellationToken cancellationToken
        )
        {
            if (_cookies.GetCookieHeader(request.RequestUri!) is { Length: > 0 } header)
            {
                request.Headers.Add("Cookie", header);
            }

            var response = await base.SendAsync(request, cancellationToken);
            foreach (var cookie in response.Headers.TryGetValues("Set-Cookie", out var set) ? set : [])
            {
                _cookies.SetCookies(request.RequestUri!, cookie);
            }

            return response;
        }
    }
}
