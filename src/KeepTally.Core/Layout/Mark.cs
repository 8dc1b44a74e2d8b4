using KeepTally.Core.Measures;

namespace KeepTally.Core.Layout;

/// <summary>Something that stands on the floor, as it is written. A line, a goal and a zone reach from (X, Y) over Length and Width.</summary>
/// <param name="Id">What ways and targets call it; empty where nothing does.</param>
/// <param name="Kind">What it is.</param>
/// <param name="X">Along the length; in a goal along its mouth from the left as a shooter sees it.</param>
/// <param name="Y">Across; in a goal up from the floor.</param>
/// <param name="Length">How far it reaches along x.</param>
/// <param name="Width">How far it reaches along y.</param>
/// <param name="Label">What is written beside it.</param>
public sealed record Mark(string Id, MarkKind Kind, Measure X, Measure Y, Measure Length, Measure Width, string Label)
{
    /// <summary>How high a goal is; nought where nothing is said.</summary>
    public Measure Height { get; init; }

    /// <summary>The goal in whose mouth a zone hangs, or empty for the floor.</summary>
    public string In { get; init; } = "";

    /// <summary>The corners of a zone that is no rectangle; empty for one that is.</summary>
    public IReadOnlyList<(Measure X, Measure Y)> Corners { get; init; } = [];

    /// <summary>The mark in metres, by a coach's stride.</summary>
    public Placed By(Stride stride)
    {
        var at = new Spot(X.Metres(stride), Y.Metres(stride));
        var (length, width) = (Length.Metres(stride), Width.Metres(stride));
        return new Placed(Id, Kind, Label, In, at, Outline(at, length, width, stride)) { Height = Height.Metres(stride) };
    }

    private Spot[] Outline(Spot at, double length, double width, Stride stride) =>
        Kind switch
        {
            MarkKind.Zone when Corners.Count > 0 =>
            [
                .. Corners.Select(corner => new Spot(corner.X.Metres(stride), corner.Y.Metres(stride))),
            ],
            MarkKind.Zone => [at, at.Plus(length, 0), at.Plus(length, width), at.Plus(0, width)],
            MarkKind.Line or MarkKind.Goal => [at, at.Plus(length, width)],
            MarkKind.Cone or MarkKind.Disc or MarkKind.Ball or MarkKind.Player or MarkKind.Coach => [at],
            _ => throw new InvalidOperationException("A mark nobody knows."),
        };
}
