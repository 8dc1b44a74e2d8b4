using System.Globalization;
using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Web.Access;

namespace KeepTally.Web.Api;

/// <summary>
/// <c>GET /api/practices/{practice}/events?after=N</c>: every event on record after a sequence number, then each new one, in
/// the order of the record and without a gap.
/// </summary>
internal static class PracticeStream
{
    private const int LongestDevice = 40;

    /// <summary>What a stream is made of.</summary>
    internal sealed record Sources(
        EventFeed Feed,
        WhoIsHere Here,
        DeviceOwners Owners,
        PracticeBook Book,
        IServiceScopeFactory Scopes,
        IHostApplicationLifetime Lifetime
    );

    internal static async Task<IResult> GetAsync(
        int practice,
        long? after,
        string? device,
        HttpContext context,
        [AsParameters] Sources sources
    )
    {
        if (!await sources.Book.ExistsAsync(practice, context.RequestAborted))
        {
            return ApiProblem.NotFound("practice", $"there is no practice {practice}", "open it from Today");
        }

        var from = long.TryParse(
            context.Request.Headers["Last-Event-ID"],
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var last
        )
            ? last
            : Math.Max(0, after ?? 0);
        context.Response.ContentType = "text/event-stream";
        context.Response.Headers.CacheControl = "no-cache,no-store";
        long? entered = null;
        using var gone = CancellationTokenSource.CreateLinkedTokenSource(
            sources.Lifetime.ApplicationStopping,
            context.RequestAborted
        );
        try
        {
            var follower = new StreamFollower(practice, context, sources.Feed, sources.Scopes, gone.Token);
            await follower.FollowAsync(from, Entering);
        }
        catch (OperationCanceledException)
        {
            // The device went away, or the application stops.
        }
        finally
        {
            if (entered is { } entry)
            {
                sources.Here.Leave(practice, device!, entry);
            }
        }

        return Results.Empty;

        // Anyone who can record is shown to the others; a board and a device are nobody.
        async Task Entering()
        {
            if (
                device is { Length: > 0 and <= LongestDevice }
                && context.Caller() is { Kind: not (CallerKind.Board or CallerKind.Device) } caller
            )
            {
                await sources.Owners.ClaimAsync(caller, device, gone.Token);
                entered = sources.Here.Enter(practice, device, caller.Name);
            }
        }
    }
}
