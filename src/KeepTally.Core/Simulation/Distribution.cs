namespace KeepTally.Core.Simulation;

/// <summary>How a figure came out over many runs.</summary>
/// <param name="Mean">The mean.</param>
/// <param name="Deviation">The standard deviation, of a sample.</param>
/// <param name="Tenth">One run in ten had this or less.</param>
/// <param name="Half">One run in two had this or less.</param>
/// <param name="NineTenths">Nine runs in ten had this or less.</param>
public readonly record struct Distribution(double Mean, double Deviation, double Tenth, double Half, double NineTenths)
{
    /// <summary>How the runs were spread, for a picture.</summary>
    public Histogram Spread { get; init; } = Histogram.None;

    /// <summary>Of figures in any order, at least one; they are left sorted.</summary>
    public static Distribution Of(double[] figures)
    {
        Array.Sort(figures);
        var mean = figures.Sum() / figures.Length;
        var squares = figures.Sum(figure => (figure - mean) * (figure - mean));
        return new Distribution(
            mean,
            figures.Length > 1 ? Math.Sqrt(squares / (figures.Length - 1)) : 0,
            At(figures, 10),
            At(figures, 50),
            At(figures, 90)
        )
        {
            Spread = Histogram.Of(figures),
        };
    }

    /// <summary>The least of the sorted figures that N of a hundred do not pass.</summary>
    private static double At(double[] figures, int percent) => figures[(int)((((long)figures.Length * percent) + 99) / 100) - 1];
}
