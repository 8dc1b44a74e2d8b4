using System.Security.Cryptography;
using System.Text;
using KeepTally.Store.Planning;
using Microsoft.Net.Http.Headers;

namespace KeepTally.Web.Api;

/// <summary>The calendar of a team at its secret address. Who asks again and knows it already is told so (RFC 9110, 13.1.2).</summary>
internal static class CalendarEndpoint
{
    private const string Ending = ".ics";

    /// <param name="token">The secret, with or without ".ics" behind it.</param>
    /// <param name="feed">The calendars.</param>
    /// <param name="context">The request.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    internal static async Task<IResult> GetAsync(
        string token,
        CalendarFeed feed,
        HttpContext context,
        CancellationToken cancellationToken
    )
    {
        var secret = token.EndsWith(Ending, StringComparison.Ordinal) ? token[..^Ending.Length] : token;
        if (await feed.OfAsync(secret, cancellationToken) is not { } text)
        {
            return Results.NotFound();
        }

        var bytes = Encoding.UTF8.GetBytes(text);
        context.Response.Headers.CacheControl = "private, no-cache";
        return Results.Bytes(
            bytes,
            "text/calendar; charset=utf-8",
            entityTag: new EntityTagHeaderValue($"\"{Convert.ToHexStringLower(SHA256.HashData(bytes))}\"")
        );
    }
}
