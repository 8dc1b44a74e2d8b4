namespace KeepTally.Core.Measures;

/// <summary>A unit of length.</summary>
public enum LengthUnit
{
    /// <summary>Metres.</summary>
    Metres,

    /// <summary>Feet of 0.3048 m.</summary>
    Feet,

    /// <summary>Yards of three feet, 0.9144 m.</summary>
    Yards,

    /// <summary>Paces of the coach's own stride.</summary>
    Paces,
}
