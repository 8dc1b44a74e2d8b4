namespace KeepTally.Core.Fit;

/// <summary>A whole timing sheet played ahead.</summary>
/// <param name="Given">The seconds there are for it.</param>
/// <param name="OnTime">The share of tries in which all is over by then.</param>
/// <param name="Half">In one try of two it takes so many seconds or fewer; without end where a drill hardly ends.</param>
public sealed record SheetFit(double Given, double OnTime, double Half)
{
    /// <param name="given">The seconds there are.</param>
    /// <param name="sure">Seconds that pass in any case: changes, breaks, drills that time alone ends.</param>
    /// <param name="drills">How long each of the others lasts, try by try, with the number of groups that do it side by side: it is over when the last is.</param>
    public static SheetFit Of(double given, double sure, IReadOnlyList<(double[] Lasts, int Groups)> drills)
    {
        var tries = drills.Count == 0 ? 1 : drills.Min(drill => drill.Lasts.Length);
        var totals = new double[tries];
        for (var run = 0; run < tries; run++)
        {
            totals[run] = sure + drills.Sum(drill => LastOf(drill.Lasts, drill.Groups, run));
        }

        Array.Sort(totals);
        return new SheetFit(given, (double)totals.Count(total => total <= given) / tries, totals[(tries - 1) / 2]);
    }

    /// <summary>Groups are tries of the same draw, far from each other.</summary>
    private static double LastOf(double[] lasts, int groups, int run)
    {
        var last = 0.0;
        for (var group = 0; group < groups; group++)
        {
            last = Math.Max(last, lasts[(int)((run + ((long)group * lasts.Length / groups)) % lasts.Length)]);
        }

        return last;
    }
}
