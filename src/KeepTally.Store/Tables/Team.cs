namespace KeepTally.Store.Tables;

/// <summary>A team: whose squad and whose practices.</summary>
public sealed class Team
{
    public int Id { get; init; }

    public required string Name { get; set; }

    /// <summary>The sport it plays, as the cards of the book name it; its drills come first. Empty for several, or where it was never asked.</summary>
    public string Sport { get; set; } = "";

    /// <summary>The reasons for a teaching stop, one a line; empty for the usual ones.</summary>
    public string StopReasons { get; set; } = "";

    /// <summary>The card of the short drill that stands at the beginning of every practice; empty for none.</summary>
    public string DailyCard { get; set; } = "";

    /// <summary>Minutes of the short drill of every practice.</summary>
    public double DailyMinutes { get; set; } = 5;

    /// <summary>The secret in the address of the team's calendar; empty while there is none.</summary>
    public string CalendarToken { get; set; } = "";

    /// <summary>The habits counted all practice, one a line; null for the usual ones, empty for none.</summary>
    public string? Habits { get; set; }
}
