using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace KeepTally.Web.Access;

/// <summary>
/// Closes a name that no coach has after as many wrong passwords, and for as long, as the name of a coach: nobody learns from the
/// answers which names there are.
/// </summary>
public sealed class UnknownNames(IMemoryCache cache, IOptions<IdentityOptions> options, TimeProvider clock)
{
    private const int LongestName = 100;

    /// <summary>Counts a try; the moment until which the name is closed, or null where it is open.</summary>
    internal DateTimeOffset? Try(string name)
    {
        var key = (nameof(UnknownNames), name[..Math.Min(name.Length, LongestName)].ToUpperInvariant());
        var known = cache.Get<Tries>(key);
        if (known?.Until > clock.GetUtcNow())
        {
            return known.Until;
        }

        var lockout = options.Value.Lockout;
        var count = (known?.Count ?? 0) + 1;
        var closed = count >= lockout.MaxFailedAccessAttempts;
        cache.Set(
            key,
            new Tries(closed ? 0 : count, closed ? clock.GetUtcNow() + lockout.DefaultLockoutTimeSpan : null),
            new MemoryCacheEntryOptions { SlidingExpiration = TimeSpan.FromDays(1), Size = 1 }
        );
        return closed ? clock.GetUtcNow() + lockout.DefaultLockoutTimeSpan : null;
    }

    private sealed record Tries(int Count, DateTimeOffset? Until);
}
