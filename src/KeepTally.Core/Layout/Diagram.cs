namespace KeepTally.Core.Layout;

/// <summary>
/// A drill drawn on its surface, in metres, origin at the lower left, x along the length. Source: docs/formats.md,
/// section 6.
/// </summary>
/// <param name="Steps">What happens when, in order.</param>
public sealed record Diagram(Surface Surface, IReadOnlyList<Mark> Marks, IReadOnlyList<Path> Paths, IReadOnlyList<string> Steps);

/// <summary>Something that stands on the surface. A line and a zone reach from (X, Y) over Length and Width.</summary>
public sealed record Mark(string Id, MarkKind Kind, double X, double Y, double Length, double Width, string Label);

/// <summary>What a mark stands for.</summary>
public enum MarkKind
{
    /// <summary>A cone.</summary>
    Cone,

    /// <summary>A line on the floor.</summary>
    Line,

    /// <summary>A zone of the floor.</summary>
    Zone,

    /// <summary>A goal.</summary>
    Goal,

    /// <summary>A flat disc.</summary>
    Disc,

    /// <summary>A ball.</summary>
    Ball,

    /// <summary>A player.</summary>
    Player,
}

/// <summary>A way from one mark to another, at a step of the rep.</summary>
public sealed record Path(string From, string To, Travel As, int Step);

/// <summary>How somebody or something gets from one mark to another.</summary>
public enum Travel
{
    /// <summary>A player runs.</summary>
    Run,

    /// <summary>The ball is passed.</summary>
    Pass,

    /// <summary>The ball is shot.</summary>
    Shot,

    /// <summary>A player runs with the ball.</summary>
    Carry,

    /// <summary>A player changes places after the rep.</summary>
    Rotate,
}
