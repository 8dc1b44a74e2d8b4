namespace KeepTally.Core.Judgement;

/// <summary>A number out of a number: 7 of 10.</summary>
/// <param name="Made">How many were made, from 0 to <paramref name="Of"/>.</param>
/// <param name="Of">How many goes there were.</param>
public readonly record struct Share(int Made, int Of)
{
    /// <summary>The share from 0 to 1; not a number where there were no goes.</summary>
    public double Value => (double)Made / Of;

    /// <summary>
    /// What the true share may be, in nineteen of twenty cases. From nought to one where there were no goes.
    /// </summary>
    /// <remarks>
    /// The score interval of E. B. Wilson, "Probable inference, the law of succession, and statistical inference", Journal of the
    /// American Statistical Association 22 (1927).
    /// </remarks>
    public Bounds Bounds => ScoreInterval.Of(Made, Of);

    /// <summary>Both together.</summary>
    public static Share operator +(Share one, Share other) => new(one.Made + other.Made, one.Of + other.Of);

    /// <summary>All together.</summary>
    public static Share Sum(IEnumerable<Share> shares) => shares.Aggregate(default(Share), static (sum, each) => sum + each);
}
