namespace KeepTally.Core.Judgement;

/// <summary>Wilson's score interval, for goes that need not be whole: a share may be carried on to more goes than there were.</summary>
internal static class ScoreInterval
{
    internal static Bounds Of(double made, double of)
    {
        if (of <= 0)
        {
            return new Bounds(0, 1);
        }

        const double Z2 = Quantiles.Normal * Quantiles.Normal;
        var share = made / of;
        var middle = (share + (Z2 / (2 * of))) / (1 + (Z2 / of));
        var half = Quantiles.Normal / (1 + (Z2 / of)) * Math.Sqrt((share * (1 - share) / of) + (Z2 / (4 * of * of)));
        // With none or all made one bound is that share itself; the root is not exact there.
        return new Bounds(made <= 0 ? 0 : Math.Max(0, middle - half), made >= of ? 1 : Math.Min(1, middle + half));
    }
}
