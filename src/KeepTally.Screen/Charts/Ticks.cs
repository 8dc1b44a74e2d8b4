namespace KeepTally.Screen.Charts;

/// <summary>The round numbers at which an axis is marked: steps of 1, 2 or 5, with as many noughts as it takes.</summary>
internal static class Ticks
{
    /// <summary>From the first multiple of the step that is not below the lowest, to the last that is not above the highest.</summary>
    /// <param name="low">The lower end of the axis.</param>
    /// <param name="high">The upper end; more than the lower.</param>
    /// <param name="most">How many there may be, two at least.</param>
    /// <param name="whole">Whether only whole numbers are told.</param>
    internal static IReadOnlyList<double> Of(double low, double high, int most, bool whole = false)
    {
        var step = Step(low, high, most, whole);
        var first = (long)Math.Ceiling(Math.Round(low / step, 9));
        var last = (long)Math.Floor(Math.Round(high / step, 9));
        return [.. Enumerable.Range(0, (int)(last - first) + 1).Select(i => (first + i) * step)];
    }

    private static double Step(double low, double high, int most, bool whole)
    {
        for (var unit = whole ? 1 : Math.Pow(10, Math.Floor(Math.Log10((high - low) / most))); ; unit *= 10)
        {
            foreach (var factor in (double[])[1, 2, 5])
            {
                if ((high - low) / (unit * factor) <= most - 1)
                {
                    return unit * factor;
                }
            }
        }
    }
}
