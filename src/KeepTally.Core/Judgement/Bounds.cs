namespace KeepTally.Core.Judgement;

/// <summary>The values between which something lies in nineteen of twenty cases.</summary>
/// <param name="Low">The least.</param>
/// <param name="High">The greatest.</param>
public readonly record struct Bounds(double Low, double High)
{
    /// <summary>Whether a value lies between them or is one of them.</summary>
    public bool Contains(double value) => Low <= value && value <= High;
}
