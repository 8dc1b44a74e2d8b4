namespace KeepTally.Core.Simulation.Exact;

/// <summary>How many goes are to be expected, by formulas.</summary>
public static class ExpectedTries
{
    /// <summary>Until a number are made: the mean of the negative binomial distribution, tries included.</summary>
    public static double ForSuccesses(int successes, double chance) => successes / chance;

    /// <summary>Until a number are made in a row, where a miss begins anew: (1 − pᵏ) / (q pᵏ).</summary>
    /// <remarks>W. Feller, An Introduction to Probability Theory and Its Applications, vol. 1, XIII.7.</remarks>
    public static double InARow(int successes, double chance) =>
        chance >= 1 ? successes : (1 - Math.Pow(chance, successes)) / ((1 - chance) * Math.Pow(chance, successes));
}
