using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>A distance as a coach paces it: whole paces, and what is then short or over.</summary>
/// <param name="Paces">Whole paces, rounded to the nearest.</param>
/// <param name="Over">What is over, in metres; below nought where the paces go too far.</param>
public readonly record struct PaceCount(int Paces, double Over)
{
    /// <summary>A distance in metres, by a stride.</summary>
    public static PaceCount Of(double metres, Stride stride)
    {
        var paces = (int)Math.Round(metres / stride.Metres, MidpointRounding.AwayFromZero);
        return new PaceCount(paces, metres - (paces * stride.Metres));
    }

    /// <summary>The rest in half feet, rounded to the nearest; negative where it is short.</summary>
    public int HalfFeet => (int)Math.Round(Over / (Measure.Foot / 2), MidpointRounding.AwayFromZero);
}
