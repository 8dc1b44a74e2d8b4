using KeepTally.Core.Measures;

namespace KeepTally.Core.Layout;

/// <summary>A mark in metres.</summary>
/// <param name="Id">What ways and targets call it.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Label">What is written beside it, or empty.</param>
/// <param name="In">The goal in whose mouth a zone hangs, or empty.</param>
/// <param name="At">Where it begins.</param>
/// <param name="Outline">The corners of a zone, the ends of a line or goal, the point of anything else.</param>
public sealed record Placed(string Id, MarkKind Kind, string Label, string In, Spot At, IReadOnlyList<Spot> Outline)
{
    /// <summary>How high a goal is, in metres; nought where nothing is said.</summary>
    public double Height { get; init; }

    /// <summary>How it is called in a sentence.</summary>
    public string Name => Label.Length > 0 ? Label : Id.Replace('-', ' ');

    /// <summary>Whether a player can stand there, so that a ball is passed to a person.</summary>
    public bool IsStoodAt => Kind is not (MarkKind.Goal or MarkKind.Line or MarkKind.Zone);

    /// <summary>The middle of it.</summary>
    public Spot Middle => new(Outline.Average(corner => corner.X), Outline.Average(corner => corner.Y));

    /// <summary>Where a player arrives who comes from a point: a line is reached where it is nearest.</summary>
    public Spot ReachedFrom(Spot from) => Kind == MarkKind.Line ? from.OnLine(Outline[0], Outline[1]) : Middle;

    /// <summary>Whether a point is within a zone.</summary>
    public bool Holds(Spot point)
    {
        var inside = false;
        for (var (i, j) = (0, Outline.Count - 1); i < Outline.Count; j = i++)
        {
            var (a, b) = (Outline[i], Outline[j]);
            if (a.Y > point.Y != b.Y > point.Y && point.X < ((b.X - a.X) * (point.Y - a.Y) / (b.Y - a.Y)) + a.X)
            {
                inside = !inside;
            }
        }

        return inside;
    }
}
