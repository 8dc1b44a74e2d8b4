using System.Diagnostics;

namespace KeepTally.Bench;

/// <summary>Times a piece of work by itself: warmed up, then several runs, of which the median counts.</summary>
internal static class Measure
{
    private const int Runs = 9;
    private static readonly TimeSpan WarmUp = TimeSpan.FromSeconds(2);

    /// <summary>The median of milliseconds a run.</summary>
    /// <param name="prepare">Makes what a run works on; not timed.</param>
    /// <param name="work">The work that is timed.</param>
    internal static double Milliseconds<T>(Func<T> prepare, Action<T> work)
    {
        var warm = Stopwatch.StartNew();
        while (warm.Elapsed < WarmUp)
        {
            work(prepare());
        }

        var times = new double[Runs];
        for (var i = 0; i < Runs; i++)
        {
            var ready = prepare();
            var began = Stopwatch.GetTimestamp();
            work(ready);
            times[i] = Stopwatch.GetElapsedTime(began).TotalMilliseconds;
        }

        Array.Sort(times);
        return times[Runs / 2];
    }

    /// <summary>Of some times, in any order, the one below which so large a share of them lies.</summary>
    internal static double Quantile(IReadOnlyCollection<double> times, double share)
    {
        var sorted = times.Order().ToArray();
        return sorted.Length == 0 ? double.NaN : sorted[Math.Min(sorted.Length - 1, (int)(sorted.Length * share))];
    }
}
