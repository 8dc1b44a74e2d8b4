namespace KeepTally.Core.Courts;

/// <summary>A size a rule book publishes, in metres; where it allows a range, the least and most of it.</summary>
public readonly record struct Extent(double Least, double Usual, double Most)
{
    /// <summary>A size that may not vary.</summary>
    public static Extent Of(double metres) => new(metres, metres, metres);

    /// <summary>Whether the rule book leaves a choice.</summary>
    public bool Varies => Least < Most;
}
