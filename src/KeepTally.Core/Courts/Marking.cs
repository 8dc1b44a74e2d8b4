using KeepTally.Core.Measures;

namespace KeepTally.Core.Courts;

/// <summary>A painted line, arc or area, in metres from the lower left corner of the floor.</summary>
public abstract record Marking
{
    private Marking() { }

    /// <summary>A straight line.</summary>
    public sealed record Line(Spot From, Spot To, bool IsDashed = false) : Marking;

    /// <summary>A whole or part of a circle, from one angle to another, in degrees, counter-clockwise from the direction of x.</summary>
    public sealed record Arc(Spot Middle, double Radius, double From, double To, bool IsDashed = false) : Marking
    {
        /// <summary>Whether it is a whole circle.</summary>
        public bool IsWhole => To - From >= 360;

        /// <summary>Where it begins or ends.</summary>
        public Spot At(double degrees) =>
            Middle.Plus(Radius * Math.Cos(degrees * Math.PI / 180), Radius * Math.Sin(degrees * Math.PI / 180));
    }

    /// <summary>A spot, such as a penalty mark.</summary>
    public sealed record Point(Spot At) : Marking;

    /// <summary>A goal, post, basket or net that stands on the floor, from end to end.</summary>
    public sealed record Stands(Spot From, Spot To) : Marking;
}
