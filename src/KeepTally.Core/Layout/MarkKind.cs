namespace KeepTally.Core.Layout;

/// <summary>The kind of a mark.</summary>
public enum MarkKind
{
    /// <summary>A cone.</summary>
    Cone,

    /// <summary>A flat disc.</summary>
    Disc,

    /// <summary>A ball.</summary>
    Ball,

    /// <summary>A player.</summary>
    Player,

    /// <summary>A coach.</summary>
    Coach,

    /// <summary>A line on the floor.</summary>
    Line,

    /// <summary>A zone of the floor, or of a goal.</summary>
    Zone,

    /// <summary>A goal or post.</summary>
    Goal,
}
