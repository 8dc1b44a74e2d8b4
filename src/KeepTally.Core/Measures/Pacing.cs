namespace KeepTally.Core.Measures;

/// <summary>How a coach measures: what they count in, and how long their pace is.</summary>
/// <param name="Unit">What distances are told in.</param>
/// <param name="Stride">Their pace.</param>
public readonly record struct Pacing(LengthUnit Unit, Stride Stride)
{
    /// <summary>Metres, and the usual pace, until a coach has said.</summary>
    public static Pacing Usual { get; } = new(LengthUnit.Metres, Stride.Usual);
}
