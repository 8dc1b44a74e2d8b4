using KeepTally.Core.Dealing;
using KeepTally.Core.Groups;

namespace KeepTally.Store.Tables;

/// <summary>A dated practice with its timing sheet.</summary>
public sealed class Practice
{
    public int Id { get; init; }

    public int TeamId { get; set; }

    public Team? Team { get; init; }

    public required string Title { get; set; }

    public DateOnly Date { get; set; }

    public TimeOnly Start { get; set; }

    public int Minutes { get; set; }

    /// <summary>How players fall into groups.</summary>
    public SplitWay Split { get; set; }

    /// <summary>The seed of shuffles: another number gives other groups.</summary>
    public int SplitSeed { get; set; } = 1;

    /// <summary>The card by whose results groups are made level; empty where none was chosen.</summary>
    public string LevelBy { get; set; } = "";

    /// <summary>Groups settled for the whole practice: a JSON list of lists of unit ids; empty where each drill has its own.</summary>
    public string SettledJson { get; set; } = "";

    /// <summary>The balls, courts and coaches there are; null where a number does not matter.</summary>
    public int? Balls { get; set; }

    public int? Courts { get; set; }

    public int? Coaches { get; set; }

    /// <summary>Where it is; may be empty.</summary>
    public string Place { get; set; } = "";

    /// <summary>How old the players are; null for as old as the squad is.</summary>
    public int? Age { get; set; }

    /// <summary>The longest drill in minutes that goes without a word; null for as usual at that age.</summary>
    public double? LongestDrill { get; set; }

    /// <summary>The longest wait in seconds that goes without a word; null for as usual.</summary>
    public double? LongestWait { get; set; }

    /// <summary>The largest group that goes without a word; null for as the cards have it.</summary>
    public int? LargestGroup { get; set; }

    /// <summary>Drills to fall back on: the ids of their cards, one a line.</summary>
    public string Reserve { get; set; } = "";

    /// <summary>The borrowed equipment: a JSON object of item to number.</summary>
    public string BroughtJson { get; set; } = "{}";

    /// <summary>The row of practices it was made in, every week on the same days; empty where it was made alone.</summary>
    public string Series { get; set; } = "";

    /// <summary>The event of another calendar that it was imported from; empty where it was made here.</summary>
    public string CalendarUid { get; set; } = "";

    /// <summary>Counts every change of the sheet, so that devices know of one.</summary>
    public int SheetVersion { get; set; }

    /// <summary>What it is called where it is written down who did what.</summary>
    public string InRecord => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{Title}, {Date:d MMMM}");

    public List<Block> Blocks { get; init; } = [];

    public List<Attendance> Attendance { get; init; } = [];
}

/// <summary>One line of a timing sheet: a drill, how long, in how many groups; or a circuit, a break or a talk.</summary>
public sealed class Block
{
    public int Id { get; init; }

    public int PracticeId { get; init; }

    /// <summary>The order on the timing sheet, from 0.</summary>
    public int Order { get; set; }

    /// <summary>The kind of pause, where it is no drill.</summary>
    public Pause? Pause { get; init; }

    /// <summary>The name of a break or a talk; empty for a drill and a circuit.</summary>
    public string PauseName { get; set; } = "";

    /// <summary>Whether it is a break or a talk.</summary>
    public bool IsPause => Pause is not null;

    /// <summary>Its card; in a circuit that of the first station; null at a break or a talk.</summary>
    public int? CardVersionId { get; init; }

    public CardVersion? CardVersion { get; init; }

    public int Stage { get; set; }

    /// <summary>Its stations, or null where it is one drill.</summary>
    public CircuitBlock? Circuit { get; init; }

    /// <summary>The name of the stage, where the card has several; else empty.</summary>
    public string Part { get; set; } = "";

    /// <summary>The name on the timing sheet: the card, and the part of it where there are several.</summary>
    public string Title =>
        IsPause ? PauseName
        : Circuit is not null ? $"Circuit of {Circuit.Stations.Count}"
        : Part.Length == 0 ? CardVersion!.Name
        : $"{CardVersion!.Name}: {Part}";

    /// <summary>The house rules chosen for this block, a JSON object of option to choice.</summary>
    public string OptionsJson { get; set; } = "{}";

    public double Minutes { get; set; }

    /// <summary>The clock of the card is fitted to the minutes; else it runs as the card has it.</summary>
    public bool FitsClock { get; set; }

    /// <summary>The greatest number wanted on each side; null for as many as there are players for.</summary>
    public int? Versus { get; set; }

    /// <summary>How many groups, or how many players in each: see <see cref="GroupsBy"/>.</summary>
    public int Groups { get; set; } = 1;

    public GroupsBy GroupsBy { get; set; }

    /// <summary>Groups made by hand: a JSON list of lists of unit ids; empty where they are as dealt.</summary>
    public string ByHandJson { get; set; } = "";

    /// <summary>Seconds before the block: walking, setting up.</summary>
    public int ChangeSeconds { get; set; }

    /// <summary>The coaches who take it, one name a line; at a circuit of each station, in order.</summary>
    public string Takes { get; set; } = "";

    /// <summary>Removed from a sheet that had begun, before it was reached: its tally sheets stay for a device that did it all the same.</summary>
    public bool Dropped { get; set; }

    public Run? Run { get; set; }
}

/// <summary>A line of a timing sheet that is no work.</summary>
public enum Pause
{
    /// <summary>A break, with water at hand.</summary>
    Break,

    /// <summary>Teaching time.</summary>
    Talk,
}

/// <summary>The rule for the number of groups.</summary>
public enum GroupsBy
{
    /// <summary>A number of groups.</summary>
    Number,

    /// <summary>A number of players in a group.</summary>
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
