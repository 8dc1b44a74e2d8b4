using KeepTally.Core.Dealing;
using KeepTally.Core.Groups;

namespace KeepTally.Store.Tables;

/// <summary>A dated practice with its timing sheet.</summary>
public sealed class Practice
{
    public int Id { get; init; }

    public int TeamId { get; init; }

    public Team? Team { get; init; }

    public required string Title { get; set; }

    public DateOnly Date { get; set; }

    public TimeOnly Start { get; set; }

    public int Minutes { get; set; }

    /// <summary>How players fall into groups.</summary>
    public SplitWay Split { get; set; }

    /// <summary>What shuffles are drawn from: another number, other groups.</summary>
    public int SplitSeed { get; set; } = 1;

    /// <summary>The card by whose results groups are made level; empty where none was chosen.</summary>
    public string LevelBy { get; set; } = "";

    /// <summary>Groups settled for the whole practice: a JSON list of lists of unit ids; empty where each drill has its own.</summary>
    public string SettledJson { get; set; } = "";

    /// <summary>What there is to practise with; null where it does not matter.</summary>
    public int? Balls { get; set; }

    public int? Courts { get; set; }

    public int? Coaches { get; set; }

    /// <summary>What it is called where it is written down who did what.</summary>
    public string InRecord => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{Title}, {Date:d MMMM}");

    public List<Block> Blocks { get; init; } = [];

    public List<Attendance> Attendance { get; init; } = [];
}

/// <summary>One line of a timing sheet: a drill, how long, in how many groups.</summary>
public sealed class Block
{
    public int Id { get; init; }

    public int PracticeId { get; init; }

    /// <summary>The order on the timing sheet, from 0.</summary>
    public int Order { get; set; }

    /// <summary>Its card; in a circuit that of the first station.</summary>
    public int CardVersionId { get; init; }

    public CardVersion? CardVersion { get; init; }

    public int Stage { get; set; }

    /// <summary>Its stations, or null where it is one drill.</summary>
    public CircuitBlock? Circuit { get; init; }

    /// <summary>The name of the stage, where the card has several; else empty.</summary>
    public string Part { get; set; } = "";

    /// <summary>What the timing sheet calls it: the card, and the part of it where there are several.</summary>
    public string Title =>
        Circuit is not null ? $"Circuit of {Circuit.Stations.Count}"
        : Part.Length == 0 ? CardVersion!.Name
        : $"{CardVersion!.Name}: {Part}";

    /// <summary>The house rules chosen for this block, a JSON object of option to choice.</summary>
    public string OptionsJson { get; set; } = "{}";

    public double Minutes { get; set; }

    /// <summary>The clock of the card is fitted to the minutes; else it runs as the card has it.</summary>
    public bool FitsClock { get; set; }

    /// <summary>How many groups, or how many players in each: see <see cref="GroupsBy"/>.</summary>
    public int Groups { get; set; } = 1;

    public GroupsBy GroupsBy { get; set; }

    /// <summary>Groups made by hand: a JSON list of lists of unit ids; empty where they are as dealt.</summary>
    public string ByHandJson { get; set; } = "";

    /// <summary>Seconds before the block: walking, setting up.</summary>
    public int ChangeSeconds { get; set; }

    public Run? Run { get; set; }
}

/// <summary>What decides into how many groups players fall.</summary>
public enum GroupsBy
{
    /// <summary>So many groups.</summary>
    Number,

    /// <summary>So many players in a group.</summary>
    Size,

    /// <summary>As many as balls, courts, coaches and players allow.</summary>
    Most,
}

/// <summary>Whether a player is at a practice. A player without an entry is here.</summary>
public sealed class Attendance
{
    public int PracticeId { get; init; }

    public int PlayerId { get; init; }

    public Presence Presence { get; set; }

    public Restrictions Limits { get; set; }
}

public enum Presence
{
    Here,

    /// <summary>Comes later; not dealt into groups at the start.</summary>
    Late,
    Absent,
}
