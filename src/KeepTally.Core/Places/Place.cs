namespace KeepTally.Core.Places;

/// <summary>Somewhere a player stands. Source: docs/formats.md, section 4.</summary>
/// <param name="Id">The id of the place.</param>
/// <param name="Kind">The kind: spot, line or bench.</param>
/// <param name="Size">How many a spot holds; a line holds any number.</param>
/// <param name="Role">What the player there does, or null.</param>
/// <param name="Active">Whether who stands here is at work.</param>
/// <param name="Side">The side whose players fill it at the start, or null where anyone does.</param>
/// <param name="Scores">Whether who stands here is the one whose outcomes are tapped.</param>
public sealed record Place(string Id, PlaceKind Kind, int Size, string? Role, bool Active, bool Scores, string? Side = null)
{
    /// <summary>Where groups have the floor in turn, which of them fills it.</summary>
    public FilledBy FilledBy { get; init; }

    /// <summary>The coach's word for it: the role where there is one, else the id as words.</summary>
    public string Name => Role ?? Id.Replace('-', ' ').Replace('_', ' ');
}

/// <summary>Which group fills a place where one at a time has the floor.</summary>
public enum FilledBy
{
    /// <summary>The group whose turn it is.</summary>
    Own,

    /// <summary>The other groups, those that come next first; its own where there is no other.</summary>
    Others,
}

/// <summary>How a place takes players in.</summary>
public enum PlaceKind
{
    /// <summary>Holds so many players.</summary>
    Spot,

    /// <summary>First in, first out.</summary>
    Line,
}

/// <summary>A move between two places in a rotation.</summary>
/// <param name="From">The place it starts from.</param>
/// <param name="To">The place it ends at.</param>
/// <param name="Who">The players who move.</param>
/// <param name="When">For a move from a line to a spot, when it is made.</param>
public sealed record Move(string From, string To, MoveWho Who, MoveWhen When = MoveWhen.Room);

/// <summary>When a line sends its head to a spot.</summary>
public enum MoveWhen
{
    /// <summary>While the spot has room.</summary>
    Room,

    /// <summary>Only once nobody stands there; then till it is full.</summary>
    Empty,
}

/// <summary>The players that a move takes.</summary>
public enum MoveWho
{
    /// <summary>Everyone who stands there.</summary>
    All,

    /// <summary>The player who stands first.</summary>
    First,

    /// <summary>The winner.</summary>
    Winner,

    /// <summary>The loser.</summary>
    Loser,

    /// <summary>The unit tapped.</summary>
    Actor,
}

/// <summary>The trigger of a rotation, and after how many of them.</summary>
/// <param name="On">The trigger.</param>
/// <param name="Every">The number of triggers between two rotations.</param>
/// <param name="TurnRound">After so many rotations the moves go the other way, after so many more as before; null where they never turn.</param>
public sealed record RotateOn(RotateTrigger On, int Every, int? TurnRound = null);

/// <summary>The trigger of a rotation.</summary>
public enum RotateTrigger
{
    /// <summary>The end of a round of work.</summary>
    Round,

    /// <summary>The turn has passed.</summary>
    Turn,

    /// <summary>A counted tap.</summary>
    Tap,

    /// <summary>A successful attempt.</summary>
    Success,

    /// <summary>An attempt that did not.</summary>
    Failure,

    /// <summary>An attempt.</summary>
    Attempts,

    /// <summary>The coach alone.</summary>
    Manual,
}
