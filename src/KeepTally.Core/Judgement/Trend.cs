namespace KeepTally.Core.Judgement;

/// <summary>How something has changed from practice to practice.</summary>
/// <param name="PerWeek">By how much in a week.</param>
/// <param name="Bounds">What that may be, in nineteen of twenty cases.</param>
/// <param name="First">Where the line stands at the first practice.</param>
/// <param name="Last">Where it stands at the last.</param>
/// <param name="Practices">How many practices it is drawn through.</param>
public sealed record Trend(double PerWeek, Bounds Bounds, double First, double Last, int Practices)
{
    /// <summary>Through fewer a line says nothing.</summary>
    public const int Least = 4;

    /// <summary>Whether it goes up or down, and not by chance alone.</summary>
    public bool IsChange => !Bounds.Contains(0);

    /// <summary>
    /// The trend of a share: a practice with more goes weighs more, and it is never told with more certainty than so few goes
    /// allow. Null with fewer practices than <see cref="Least"/>, or all on one day.
    /// </summary>
    /// <param name="shares">Of each practice the day, in days from any other, and the share; those without goes are passed over.</param>
    public static Trend? OfShares(IReadOnlyCollection<(double Day, Share Share)> shares)
    {
        var taken = shares.Where(each => each.Share.Of > 0).ToArray();
        var all = Share.Sum(taken.Select(each => each.Share));
        return Of([.. taken.Select(each => (each.Day, each.Share.Value, (double)each.Share.Of))], all.Value * (1 - all.Value));
    }

    /// <summary>The trend of a figure, each practice weighing the same. Null with fewer practices than <see cref="Least"/>, or all on one day.</summary>
    public static Trend? OfFigures(IReadOnlyCollection<(double Day, double Value)> figures) =>
        Of([.. figures.Select(each => (each.Day, each.Value, 1.0))], 0);

    /// <summary>The line of least squares, with bounds of Student's distribution.</summary>
    /// <param name="points">The values by day, with their weights.</param>
    /// <param name="leastVariance">What one go varies by chance alone.</param>
    private static Trend? Of((double Day, double Value, double Weight)[] points, double leastVariance)
    {
        if (points.Length < Least)
        {
            return null;
        }

        var weight = points.Sum(point => point.Weight);
        var day = points.Sum(point => point.Weight * point.Day) / weight;
        var value = points.Sum(point => point.Weight * point.Value) / weight;
        var spread = points.Sum(point => point.Weight * (point.Day - day) * (point.Day - day));
        if (spread <= 0)
        {
            return null;
        }

        var slope = points.Sum(point => point.Weight * (point.Day - day) * (point.Value - value)) / spread;
        double At(double when) => value + (slope * (when - day));
        var left = points.Sum(point => point.Weight * (point.Value - At(point.Day)) * (point.Value - At(point.Day)));
        var error = Math.Sqrt(Math.Max(left / (points.Length - 2), leastVariance) / spread);
        var half = Quantiles.Student(points.Length - 2) * error;
        return new Trend(
            7 * slope,
            new Bounds(7 * (slope - half), 7 * (slope + half)),
            At(points.Min(point => point.Day)),
            At(points.Max(point => point.Day)),
            points.Length
        );
    }
}
