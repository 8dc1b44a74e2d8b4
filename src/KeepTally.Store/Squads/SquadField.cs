namespace KeepTally.Store.Squads;

/// <summary>What a column of a list of players holds.</summary>
public enum SquadField
{
    /// <summary>Nothing that is kept here.</summary>
    Unused,

    /// <summary>The whole name.</summary>
    Name,

    /// <summary>The first name.</summary>
    FirstName,

    /// <summary>The last name.</summary>
    LastName,

    /// <summary>The shirt number.</summary>
    Number,

    /// <summary>The year of birth, or a date of birth, of which the year alone is kept.</summary>
    BirthYear,

    /// <summary>The positions.</summary>
    Positions,

    /// <summary>The throwing hand.</summary>
    Hand,

    /// <summary>Notes.</summary>
    Notes,
}
