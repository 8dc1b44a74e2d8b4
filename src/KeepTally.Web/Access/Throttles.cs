using System.Threading.RateLimiting;
using KeepTally.Store.People;

namespace KeepTally.Web.Access;

/// <summary>How fast one address may try doors, and one device may send. Everybody else is not held up.</summary>
/// <remarks>
/// The framework's own middleware never disposes what it counts with: its timer keeps an application that has stopped in memory, and one that
/// starts anew after a restore would keep two.
/// </remarks>
internal sealed class Throttles : IDisposable
{
    /// <summary>Tries at one go: a whole team of parents may join over one address.</summary>
    private const int DoorTries = 40;

    private static readonly TimeSpan DoorEvery = TimeSpan.FromSeconds(6);

    /// <summary>Requests of a device at one go, and each second.</summary>
    private const int DeviceBurst = 100;

    private const int DevicePace = 20;

    /// <summary>Requests of a helper who joined by a code at one go, and each second.</summary>
    private const int JoinerBurst = 200;

    private const int JoinerPace = 30;

    private static readonly string[] Doors = ["/signin", "/first", "/join", "/invite", "/watch", "/calendar"];

    private readonly PartitionedRateLimiter<HttpContext> _limiter = PartitionedRateLimiter.Create<HttpContext, string>(Partition);

    /// <summary>Lets a request through, or answers that it comes too soon and when to come again.</summary>
    internal async Task HoldAsync(HttpContext context, RequestDelegate next)
    {
        using var lease = _limiter.AttemptAcquire(context);
        if (lease.IsAcquired)
        {
            await next(context);
            return;
        }

        context.Response.StatusCode = StatusCodes.Status429TooManyRequests;
        if (lease.TryGetMetadata(MetadataName.RetryAfter, out var wait))
        {
            context.Response.Headers.RetryAfter = $"{Math.Ceiling(wait.TotalSeconds)}";
        }
    }

    public void Dispose() => _limiter.Dispose();

    private static RateLimitPartition<string> Partition(HttpContext context)
    {
        var path = context.Request.Path;
        // A link to a board or a calendar is opened by reading it; all other doors by sending a form.
        var tries =
            !HttpMethods.IsGet(context.Request.Method) || path.StartsWithSegments("/watch") || path.StartsWithSegments("/calendar");
        if (tries && Array.Exists(Doors, door => path.StartsWithSegments(door)))
        {
            // By where it comes from and nothing else: whatever a stranger claims to be has not been proved.
            return Bucket($"door {context.Connection.RemoteIpAddress}", DoorTries, 1, DoorEvery);
        }

        return context.Caller() switch
        {
            { Kind: CallerKind.Device, Id: var id } => Bucket($"key {id}", DeviceBurst, DevicePace, TimeSpan.FromSeconds(1)),
            // What a helper sends, not the pages and files they read.
            { Kind: CallerKind.Joiner, Id: var id } when HttpMethods.IsPost(context.Request.Method) => Bucket(
                $"joiner {id}",
                JoinerBurst,
                JoinerPace,
                TimeSpan.FromSeconds(1)
            ),
            null when DeviceKeyHandler.KeyOf(context.Request) is not null => Bucket(
                $"no key {context.Connection.RemoteIpAddress}",
                DeviceBurst,
                DevicePace,
                TimeSpan.FromSeconds(1)
            ),
            _ => RateLimitPartition.GetNoLimiter("all"),
        };
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
