using System.Text;
using AngleSharp.Html.Dom;

namespace KeepTally.Web.Tests;

/// <summary>Presses of a page without its fields: with its token, and what is given.</summary>
internal static class Press
{
    private const string Token = "__RequestVerificationToken";

    /// <summary>Sets up an empty club as its first coach; the answer leads to the squad.</summary>
    internal static async Task<HttpResponseMessage> FoundClubAsync(this Visitor coach, string password) =>
        await coach.SendAsync(
            await coach.OpenAsync($"/first?key={Installation.FirstKey}"),
            "form",
            "/first",
            ("name", "Jo"),
            ("team", "Reed Warblers"),
            ("password", password)
        );

    internal static Task<IHtmlDocument> ReadAsync(this Visitor visitor, string path) => visitor.OpenAsync(path);

    internal static Task<HttpResponseMessage> GetAsync(this Visitor visitor, string path) =>
        visitor.Http.GetAsync(new Uri(path, UriKind.Relative));

    /// <param name="from">The page whose token is sent.</param>
    internal static async Task<HttpResponseMessage> PostAsync(
        this Visitor visitor,
        string address,
        string from,
        params (string Name, string Value)[] given
    )
    {
        using var content = new FormUrlEncodedContent([
            KeyValuePair.Create(Token, await TokenAsync(visitor, from)),
            .. given.Select(each => KeyValuePair.Create(each.Name, each.Value)),
        ]);
        return await visitor.Http.PostAsync(new Uri(address, UriKind.Relative), content);
    }

    internal static async Task<HttpResponseMessage> PostFileAsync(
        this Visitor visitor,
        string address,
        string from,
        string name,
        string text,
        params (string Name, string Value)[] given
    )
    {
        using var content = new MultipartFormDataContent
        {
            { new StringContent(await TokenAsync(visitor, from)), Token },
            { new StringContent(text, Encoding.UTF8, "application/json"), "file", name },
        };
        foreach (var (field, value) in given)
        {
            content.Add(new StringContent(value), field);
        }

        return await visitor.Http.PostAsync(new Uri(address, UriKind.Relative), content);
    }

    internal static async Task<HttpResponseMessage> PostEventsAsync(this Visitor visitor, string sheet, string lines)
    {
        using var content = new StringContent(lines, Encoding.UTF8, "application/x-ndjson");
        var answer = await visitor.Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return answer;
    }

    private static async Task<string> TokenAsync(Visitor visitor, string from) =>
        ((IHtmlInputElement)(await visitor.OpenAsync(from)).QuerySelector($"input[name={Token}]")!).Value;
}
