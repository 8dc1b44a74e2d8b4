using KeepTally.Core.Rules.Ladders;

namespace KeepTally.Core.Simulation.Exact;

/// <summary>The odds of a window of n goes, calculated over all ways it can go.</summary>
/// <param name="Passes">The chance that it is passed.</param>
/// <param name="Goes">The goes it takes to close, passed or not.</param>
public readonly record struct WindowOdds(double Passes, double Goes)
{
    /// <summary>A window that needs k of n, with a chance for each go.</summary>
    public static WindowOdds Of(Pass.Window window, double chance)
    {
        // The chance of having made so many after so many goes, with the window still open.
        var open = new double[window.Of + 1];
        open[0] = 1;
        var (passes, goes) = (0.0, 0.0);
        for (var taken = 1; taken <= window.Of; taken++)
        {
            var next = new double[window.Of + 1];
            for (var made = 0; made < taken; made++)
            {
                next[made] += open[made] * (1 - chance);
                next[made + 1] += open[made] * chance;
            }

            for (var made = 0; made <= taken; made++)
            {
                if (taken == window.Of || Closes(window, made, taken))
                {
                    passes += made >= window.Successes ? next[made] : 0;
                    goes += taken * next[made];
                    next[made] = 0;
                }
            }

            open = next;
        }

        return new WindowOdds(passes, goes);
    }

    private static bool Closes(Pass.Window window, int made, int taken) =>
        (window.Stop is WindowStop.Pass or WindowStop.Both && made >= window.Successes)
        || (window.Stop is WindowStop.Fail or WindowStop.Both && made + (window.Of - taken) < window.Successes);
}
