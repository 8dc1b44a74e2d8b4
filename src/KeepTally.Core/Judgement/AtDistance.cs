namespace KeepTally.Core.Judgement;

/// <summary>
/// What share of shots succeeds from another distance, where they scatter as widely in angle from everywhere and what they are
/// aimed at stays as wide. Distances in whatever unit, the same for both.
/// </summary>
/// <remarks>
/// A. Gelman and D. Nolan, "A probability model for golf putting", Teaching Statistics 24 (2002): a share of 2Φ(a/σ) − 1, where a
/// is the angle within which a shot succeeds, which goes as one over the distance; that is erf(u), u going as one over the
/// distance.
/// </remarks>
public static class AtDistance
{
    /// <summary>Beyond it nothing misses: erf of it is one to the last digit.</summary>
    private const double Surest = 6;

    /// <summary>A term that adds less changes no digit.</summary>
    private const double Least = 1e-17;

    /// <summary>The share expected <paramref name="at"/> a distance, where <paramref name="share"/> were made <paramref name="from"/> another.</summary>
    /// <param name="share">From 0 to 1.</param>
    /// <param name="from">Above nought.</param>
    /// <param name="at">Above nought.</param>
    public static double Expected(double share, double from, double at) => ErrorFunction(Inverse(share) * from / at);

    /// <summary>The distance from which a share is to be expected; both shares between 0 and 1, neither of them either.</summary>
    public static double Where(double wanted, double share, double from) => from * Inverse(share) / Inverse(wanted);

    /// <summary>Abramowitz and Stegun, Handbook of Mathematical Functions, 7.1.6.</summary>
    private static double ErrorFunction(double u)
    {
        if (u >= Surest)
        {
            return 1;
        }

        var (term, sum) = (u, u);
        for (var n = 1; term > sum * Least; n++)
        {
            term *= 2 * u * u / ((2 * n) + 1);
            sum += term;
        }

        return 2 / Math.Sqrt(Math.PI) * Math.Exp(-u * u) * sum;
    }

    /// <summary>By halving: it grows all the way.</summary>
    private static double Inverse(double share)
    {
        var (low, high) = (0.0, Surest);
        for (var halving = 0; halving < 60; halving++)
        {
            var middle = (low + high) / 2;
            (low, high) = ErrorFunction(middle) < share ? (middle, high) : (low, middle);
        }

        return (low + high) / 2;
    }
}
