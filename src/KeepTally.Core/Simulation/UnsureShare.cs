using KeepTally.Core.Judgement;

namespace KeepTally.Core.Simulation;

/// <summary>Draws the true share behind a record, spread as wide as its likely range.</summary>
internal static class UnsureShare
{
    /// <summary>The share that the true one is below with the chance <paramref name="below"/>.</summary>
    /// <remarks>Wilson's score interval, asked for at any certainty.</remarks>
    internal static double At(Share record, double below)
    {
        var z = NormalQuantile.At(Math.Clamp(below, 1e-9, 1 - 1e-9));
        double goes = Math.Max(1, record.Of);
        var share = record.Of == 0 ? 0.5 : record.Value;
        var (z2, root) = (z * z, Math.Sqrt((share * (1 - share) / goes) + (z * z / (4 * goes * goes))));
        return Math.Clamp((share + (z2 / (2 * goes)) + (z * root)) / (1 + (z2 / goes)), 0, 1);
    }
}
