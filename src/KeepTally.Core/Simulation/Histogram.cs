namespace KeepTally.Core.Simulation;

/// <summary>How figures are spread over columns of equal width, each from its lower bound up to the next one's.</summary>
/// <param name="From">The lower bound of the first column, a multiple of the width.</param>
/// <param name="Width">How wide a column is: 1, 2 or 5, with as many noughts as it takes.</param>
/// <param name="Counts">How many figures each column has.</param>
/// <param name="HasMore">The last column has all that lie above it, too: one figure in a hundred, or fewer.</param>
public sealed record Histogram(double From, double Width, IReadOnlyList<int> Counts, bool HasMore)
{
    private const int MostColumns = 24;

    /// <summary>Of no figures.</summary>
    public static Histogram None { get; } = new(0, 1, [], HasMore: false);

    /// <inheritdoc/>
    public bool Equals(Histogram? other) =>
        other is not null
        && (From, Width, HasMore) == (other.From, other.Width, other.HasMore)
        && Counts.SequenceEqual(other.Counts);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(From, Width, Counts.Count);

    /// <param name="sorted">The figures, the lowest first; at least one.</param>
    internal static Histogram Of(double[] sorted)
    {
        // One figure far off would leave all others a column or two.
        var high = sorted[(int)Math.Ceiling((sorted.Length - 1) * 0.99)];
        var width = WidthFor(high - sorted[0]);
        var first = Math.Floor(sorted[0] / width);
        var counts = new int[(int)(Math.Floor(high / width) - first) + 1];
        foreach (var figure in sorted)
        {
            counts[(int)Math.Min(counts.Length - 1, Math.Floor(figure / width) - first)]++;
        }

        return new Histogram(first * width, width, counts, sorted[^1] >= (first + counts.Length) * width);
    }

    private static double WidthFor(double span)
    {
        for (var unit = 1.0; ; unit *= 10)
        {
            foreach (var factor in (double[])[1, 2, 5])
            {
                if (span / (unit * factor) < MostColumns - 1)
                {
                    return unit * factor;
                }
            }
        }
    }
}
