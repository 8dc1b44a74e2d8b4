using System.Collections.Concurrent;
using System.Net;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Microsoft.AspNetCore.TestHost;

namespace KeepTally.Web.Tests;

/// <summary>Someone with a browser and no scripts.</summary>
public sealed class Visitor
{
    private readonly CookieHandler _cookies;
    private readonly HttpClient _http;

    /// <param name="ticket">The cookies they come with; null for none.</param>
    internal Visitor(TestServer server, Lazy<Task<IReadOnlyDictionary<string, string>>>? ticket)
    {
        _cookies = new CookieHandler(server.CreateHandler(), ticket);
        _http = new HttpClient(_cookies) { BaseAddress = new Uri("http://localhost") };
    }

    /// <summary>Signs in as a made-up coach of the demo, as a person does it: by the button with the name.</summary>
    public async Task<IReadOnlyDictionary<string, string>> SignInAsync(string coach)
    {
        var page = await OpenAsync("/signin");
        var button = page.QuerySelectorAll("button[name=coach]")
            .OfType<IHtmlButtonElement>()
            .Single(each => each.TextContent.StartsWith(coach, StringComparison.Ordinal));
        using var answer = await SendAsync(page, "form[action*=Demo]", ("coach", button.Value));
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        return _cookies.Cookies;
    }

    public HttpClient Http => _http;

    /// <summary>The cookies it holds, by name.</summary>
    public ConcurrentDictionary<string, string> Cookies => _cookies.Cookies;

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

    private sealed class CookieHandler(HttpMessageHandler inner, Lazy<Task<IReadOnlyDictionary<string, string>>>? ticket)
        : DelegatingHandler(inner)
    {
        /// <summary>By name. When they lapse is the server's business: the clock of a test stands in another time.</summary>
        internal ConcurrentDictionary<string, string> Cookies { get; } = new();

        private bool _came;

        protected override async Task<HttpResponseMessage> SendAsync(
            HttpRequestMessage request,
            CancellationToken cancellationToken
        )
        {
            if (!_came && ticket is not null)
            {
                _came = true;
                foreach (var (name, value) in await ticket.Value)
                {
                    Cookies.TryAdd(name, value);
                }
            }

            if (!Cookies.IsEmpty)
            {
                request.Headers.Add("Cookie", string.Join("; ", Cookies.Select(cookie => $"{cookie.Key}={cookie.Value}")));
            }

            var response = await base.SendAsync(request, cancellationToken);
            foreach (var cookie in response.Headers.TryGetValues("Set-Cookie", out var set) ? set : [])
            {
                var (name, value) = cookie.Split(';')[0].Split('=', 2) is [var left, var right] ? (left, right) : (cookie, "");
                if (value.Length == 0)
                {
                    Cookies.TryRemove(name, out _);
                }
                else
                {
                    Cookies[name] = value;
                }
            }

            return response;
        }
    }
}
