namespace KeepTally.Core.Places;

/// <summary>Somewhere a player stands. Source: docs/formats.md, section 4.</summary>
/// <param name="Size">How many a spot holds; a line holds any number.</param>
/// <param name="Role">What the player there does, or null.</param>
/// <param name="Active">Whether who stands here is at work.</param>
/// <param name="Side">The side whose players fill it at the start, or null where anyone does.</param>
/// <param name="Scores">Whether who stands here is the one whose outcomes are tapped.</param>
public sealed record Place(string Id, PlaceKind Kind, int Size, string? Role, bool Active, bool Scores, string? Side = null)
{
    /// <summary>The coach's word for it: the role where there is one, else the id.</summary>
    public string Name => Role ?? Id;
}

public enum PlaceKind
{
    /// <summary>Holds so many players.</summary>
    Spot,

    /// <summary>First in, first out.</summary>
    Line,
}

/// <summary>Who goes from where to where when the places move on.</summary>
public sealed record Move(string From, string To, MoveWho Who);

public enum MoveWho
{
    All,
    First,
    Winner,
    Loser,
    Actor,
}

/// <summary>What makes the places move on, and every how many of it.</summary>
/// <param name="TurnRound">After so many rotations the moves go the other way, after so many more as before; null where they never turn.</param>
public sealed record RotateOn(RotateTrigger On, int Every, int? TurnRound = null);

public enum RotateTrigger
{
    Round,
    Turn,
    Tap,
    Success,
    Failure,
    Attempts,
    Manual,
}
