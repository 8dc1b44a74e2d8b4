namespace KeepTally.Core.Simulation;

/// <summary>A whole timing sheet played ahead.</summary>
/// <param name="Given">The seconds there are for it.</param>
/// <param name="OnTime">The share of tries in which all is over by then.</param>
/// <param name="Half">In one try of two it takes so many seconds or fewer; without end where a drill hardly ends.</param>
public sealed record SheetSimulation(double Given, double OnTime, double Half)
{
    /// <param name="given">The seconds there are.</param>
    /// <param name="sure">Seconds that pass in any case: changes, breaks, drills that time alone ends.</param>
    /// <param name="drills">How long each of the others lasts for one player or group, try by try, with how many do it side by side: it is over when the last is.</param>
    public static SheetSimulation Of(double given, double sure, IReadOnlyList<(double[] Lasts, int Units)> drills)
    {
        var tries = drills.Count == 0 ? 1 : drills.Min(drill => drill.Lasts.Length);
        var totals = new double[tries];
        for (var run = 0; run < tries; run++)
        {
            totals[run] = sure + drills.Sum(drill => LastOf(drill.Lasts, drill.Units, run));
        }

        Array.Sort(totals);
        return new SheetSimulation(given, (double)totals.Count(total => total <= given) / tries, totals[(tries - 1) / 2]);
    }

    /// <summary>In what share of tries a player is not done in the time a drill was given.</summary>
    /// <param name="lasts">How long it lasts for one player or group, try by try.</param>
    /// <param name="units">How many do it side by side.</param>
    /// <param name="given">The time given, in seconds.</param>
    public static double Unfinished(double[] lasts, int units, double given) =>
        Enumerable.Range(0, lasts.Length).Count(run => LastOf(lasts, units, run) > given) / (double)lasts.Length;

    /// <summary>The time of the slowest unit in a run. Units side by side take samples of one draw, far from each other.</summary>
    private static double LastOf(double[] lasts, int units, int run)
    {
        var last = 0.0;
        for (var unit = 0; unit < units; unit++)
        {
            last = Math.Max(last, lasts[(int)((run + ((long)unit * lasts.Length / units)) % lasts.Length)]);
        }

        return last;
    }
}
