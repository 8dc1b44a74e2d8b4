namespace KeepTally.Core.Judgement;

/// <summary>How far one share is above another, and how sure that is.</summary>
/// <param name="First">The one.</param>
/// <param name="Second">The other.</param>
public readonly record struct ShareDifference(Share First, Share Second)
{
    /// <summary>More goes than anyone will take.</summary>
    private const int Most = 100_000;

    /// <summary>The first less the second.</summary>
    public double Value => First.Value - Second.Value;

    /// <summary>The likely range of the true difference (95 %).</summary>
    /// <remarks>
    /// R. G. Newcombe, "Interval estimation for the difference between independent proportions: comparison of eleven methods",
    /// Statistics in Medicine 17 (1998), method 10.
    /// </remarks>
    public Bounds Bounds => After(0);

    /// <summary>Which is the better can be told: nought is no longer among what the difference may be.</summary>
    public bool IsSettled => !Bounds.Contains(0);

    /// <summary>
    /// How many more goes each would have to take, both going on as they have, until it could be told which is the better: 0 where it can be, null
    /// where they are so alike that it never will, or without goes.
    /// </summary>
    public int? GoesToSettle()
    {
        if (First.Of == 0 || Second.Of == 0)
        {
            return null;
        }

        if (IsSettled)
        {
            return 0;
        }

        if (Value == 0 || After(Most).Contains(0))
        {
            return null;
        }

        var (few, enough) = (0, Most);
        while (enough - few > 1)
        {
            var half = few + ((enough - few) / 2);
            (few, enough) = After(half).Contains(0) ? (half, enough) : (few, half);
        }

        return enough;
    }

    private Bounds After(int more)
    {
        var (one, other) = (Interval(First, more), Interval(Second, more));
        double Square(double side) => side * side;
        return new Bounds(
            Value - Math.Sqrt(Square(First.Value - one.Low) + Square(other.High - Second.Value)),
            Value + Math.Sqrt(Square(one.High - First.Value) + Square(Second.Value - other.Low))
        );
    }

    private static Bounds Interval(Share share, int more)
    {
        var goes = share.Of + more;
        return ScoreInterval.Of(more == 0 ? share.Made : share.Value * goes, goes);
    }
}
