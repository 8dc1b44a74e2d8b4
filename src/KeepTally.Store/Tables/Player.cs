using KeepTally.Core.Identity;

namespace KeepTally.Store.Tables;

/// <summary>A player of the squad. Kept small on purpose: players are often children.</summary>
public sealed class Player
{
    public int Id { get; init; }

    public int TeamId { get; init; }

    public required string Name { get; set; }

    public int? Number { get; set; }

    public int? BirthYear { get; set; }

    /// <summary>Positions with semicolons between them, as in the squad CSV.</summary>
    public string Positions { get; set; } = "";

    public Hand? Hand { get; set; }

    public string Notes { get; set; } = "";

    /// <summary>No longer in the squad; kept with the results.</summary>
    public bool Archived { get; set; }

    /// <summary>The id of this player in logs and cards.</summary>
    public PlayerId UnitId => UnitIdOf(Id);

    /// <summary>Makes the id of a player in logs and cards from the id of the row: the one place where it is made.</summary>
    public static PlayerId UnitIdOf(int id) => new($"p{id}");
}

/// <summary>The hand a player throws or holds the stick with.</summary>
public enum Hand
{
    Left,
    Right,
    Both,
}
