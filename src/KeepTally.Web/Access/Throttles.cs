using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace KeepTally.Web.Access;

/// <summary>How fast one address may try doors, and one device may send. Everybody else is not held up.</summary>
internal static class Throttles
{
    /// <summary>Tries at one go: a whole team of parents may join over one address.</summary>
    private const int DoorTries = 40;

    private static readonly TimeSpan DoorEvery = TimeSpan.FromSeconds(6);

    /// <summary>Requests of a device at one go, and each second.</summary>
    private const int DeviceBurst = 100;

    private const int DevicePace = 20;

    private static readonly string[] Doors = ["/signin", "/first", "/join", "/invite", "/watch"];

    internal static void Set(RateLimiterOptions options)
    {
        options.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        options.OnRejected = (context, _) =>
        {
            if (context.Lease.TryGetMetadata(MetadataName.RetryAfter, out var wait))
            {
                context.HttpContext.Response.Headers.RetryAfter = $"{Math.Ceiling(wait.TotalSeconds)}";
            }

            return ValueTask.CompletedTask;
        };
        options.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(Partition);
    }

    private static RateLimitPartition<string> Partition(HttpContext context)
    {
        if (DeviceKeyHandler.KeyOf(context.Request) is { } key)
        {
            return Bucket($"key {key}", DeviceBurst, DevicePace, TimeSpan.FromSeconds(1));
        }

        var path = context.Request.Path;
        // A link to a board is opened by reading it; all other doors by sending a form.
        var tries = !HttpMethods.IsGet(context.Request.Method) || path.StartsWithSegments("/watch");
        return tries && Array.Exists(Doors, door => path.StartsWithSegments(door))
            ? Bucket($"door {context.Connection.RemoteIpAddress}", DoorTries, 1, DoorEvery)
            : RateLimitPartition.GetNoLimiter("all");
    }

    private static RateLimitPartition<string> Bucket(string who, int burst, int pace, TimeSpan every) =>
        RateLimitPartition.GetTokenBucketLimiter(
            who,
            _ => new TokenBucketRateLimiterOptions
            {
                TokenLimit = burst,
                TokensPerPeriod = pace,
                ReplenishmentPeriod = every,
                QueueLimit = 0,
            }
        );
}
