namespace KeepTally.Core.Chance;

/// <summary>
/// Numbers drawn from a seed: the same seed and stream give the same numbers on every device and for ever. Source:
/// SplitMix64, from Steele, Lea and Flood, "Fast splittable pseudorandom number generators" (2014).
/// </summary>
public sealed class SeededDraw(long seed, int stream = 0)
{
    private const ulong Gamma = 0x9E3779B97F4A7C15;
    private ulong _state = (ulong)seed + ((ulong)stream << 32);

    /// <summary>The next number of the stream.</summary>
    public ulong Next()
    {
        _state += Gamma;
        var mixed = (_state ^ (_state >> 30)) * 0xBF58476D1CE4E5B9;
        mixed = (mixed ^ (mixed >> 27)) * 0x94D049BB133111EB;
        return mixed ^ (mixed >> 31);
    }

    /// <summary>A number from 0 to below <paramref name="bound"/>, which is 1 or more.</summary>
    public long Below(long bound) => (long)Math.BigMul(Next(), (ulong)bound, out _);
}
