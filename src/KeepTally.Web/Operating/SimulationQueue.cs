using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Web.Operating;

/// <summary>
/// Runs simulations one at a time, so that they never take more than one core from practice, and remembers what came out. A request
/// that is given up leaves the queue, and stops the simulation it waits for.
/// </summary>
public sealed class SimulationQueue(IMemoryCache cache, OneAtATime work)
{
    private static readonly TimeSpan Kept = TimeSpan.FromHours(1);

    /// <summary>The result for a key: remembered, or simulated now.</summary>
    /// <param name="key">Everything the result depends on, as a value.</param>
    /// <param name="simulate">The simulation.</param>
    /// <param name="cancellationToken">Cancels the wait, or the simulation.</param>
    public async Task<T> RunAsync<T>(object key, Func<CancellationToken, T> simulate, CancellationToken cancellationToken)
    {
        var place = (nameof(SimulationQueue), key);
        if (cache.TryGetValue(place, out T? known))
        {
            return known!;
        }

        using var turn = await work.EnterAsync(cancellationToken);
        // The one before in the queue may have asked the same.
        if (!cache.TryGetValue(place, out known))
        {
            known = await Task.Run(() => simulate(cancellationToken), cancellationToken);
            cache.Set(place, known, new MemoryCacheEntryOptions { SlidingExpiration = Kept, Size = 1 });
        }

        return known!;
    }
}
