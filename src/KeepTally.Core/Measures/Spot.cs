namespace KeepTally.Core.Measures;

/// <summary>A point of the floor, in metres: x along the length from the left, y across from the near side.</summary>
public readonly record struct Spot(double X, double Y)
{
    /// <summary>How far it is as the ball flies, in metres.</summary>
    public double To(Spot other) => Math.Sqrt(((X - other.X) * (X - other.X)) + ((Y - other.Y) * (Y - other.Y)));

    /// <summary>How far it is for a coach who paces along and across, in metres.</summary>
    public double Paced(Spot other) => Math.Abs(X - other.X) + Math.Abs(Y - other.Y);

    /// <summary>The point a share of the way to another.</summary>
    public Spot Toward(Spot other, double share) => new(X + ((other.X - X) * share), Y + ((other.Y - Y) * share));

    /// <summary>The point of a straight line, from end to end, that is nearest to this one.</summary>
    public Spot OnLine(Spot from, Spot to)
    {
        var length = from.To(to);
        var along = length == 0 ? 0 : (((X - from.X) * (to.X - from.X)) + ((Y - from.Y) * (to.Y - from.Y))) / (length * length);
        return from.Toward(to, Math.Clamp(along, 0, 1));
    }

    /// <summary>The same point, moved.</summary>
    public Spot Plus(double x, double y) => new(X + x, Y + y);
}
