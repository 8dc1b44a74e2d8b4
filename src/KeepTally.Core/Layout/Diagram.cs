namespace KeepTally.Core.Layout;

/// <summary>
/// A drill drawn on its surface, in metres, origin at the lower left, x along the length. Source: docs/formats.md,
/// section 6.
/// </summary>
/// <param name="Steps">What happens when, in order.</param>
public sealed record Diagram(Surface Surface, IReadOnlyList<Mark> Marks, IReadOnlyList<Path> Paths, IReadOnlyList<string> Steps);

/// <summary>Something that stands on the surface. A line and a zone reach from (X, Y) over Length and Width.</summary>
public sealed record Mark(string Id, MarkKind Kind, double X, double Y, double Length, double Width, string Label);

public enum MarkKind
{
    Cone,
    Line,
    Zone,
    Goal,
    Disc,
    Ball,
    Player,
}

/// <summary>A way from one mark to another, at a step of the rep.</summary>
public sealed record Path(string From, string To, Travel As, int Step);

public enum Travel
{
    Run,
    Pass,
    Shot,
    Carry,
    Rotate,
}
