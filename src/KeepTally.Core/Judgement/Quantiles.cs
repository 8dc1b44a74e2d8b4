namespace KeepTally.Core.Judgement;

/// <summary>How many standard errors make bounds that hold in nineteen of twenty cases.</summary>
internal static class Quantiles
{
    /// <summary>Of the normal distribution: <see cref="NormalQuantile"/> at 0.975.</summary>
    internal const double Normal = 1.9599639845400545;

    /// <summary>Of Student's distribution at 0.975, for 1 to 10 degrees of freedom. Source: any statistical table; held against MathNet.Numerics.</summary>
    private static readonly double[] Few =
    [
        12.706204736432095,
        4.302652729911275,
        3.182446305284263,
        2.7764451051977987,
        2.5705818366147395,
        2.4469118487916806,
        2.3646242510102993,
        2.306004135033371,
        2.262157162740992,
        2.2281388519649385,
    ];

    /// <summary>Of Student's distribution, at 0.975; from eleven degrees on within 0.0002.</summary>
    /// <remarks>Expansion in powers of 1/degrees: Abramowitz and Stegun, Handbook of Mathematical Functions, 26.7.5.</remarks>
    internal static double Student(int degrees)
    {
        if (degrees <= Few.Length)
        {
            return Few[Math.Max(1, degrees) - 1];
        }

        const double Z = Normal;
        var (z3, z5, z7) = (Z * Z * Z, Math.Pow(Z, 5), Math.Pow(Z, 7));
        double n = degrees;
        return Z
            + ((z3 + Z) / (4 * n))
            + (((5 * z5) + (16 * z3) + (3 * Z)) / (96 * n * n))
            + (((3 * z7) + (19 * z5) + (17 * z3) - (15 * Z)) / (384 * n * n * n));
    }
}
