using KeepTally.Store.Database;

namespace KeepTally.Store.People;

/// <summary>The kind of caller.</summary>
public enum CallerKind
{
    /// <summary>A head coach: everything.</summary>
    Head,

    /// <summary>An assistant: runs, records and reads for their teams.</summary>
    Assistant,

    /// <summary>Joined one practice by its code: runs and records there.</summary>
    Joiner,

    /// <summary>The board of one practice: shows it and nothing else.</summary>
    Board,

    /// <summary>A device with a key: sends and reads events of its team.</summary>
    Device,
}

/// <summary>The person or device that makes a request.</summary>
/// <param name="Kind">The kind of caller.</param>
/// <param name="Id">The id of the coach, the joiner or the key; of a board that of the practice.</param>
/// <param name="Name">The caller's name.</param>
/// <param name="Stamp">Changes when all that was signed in before is to be so no more.</param>
/// <param name="Teams">The teams they can see; for a head coach all, and none is named.</param>
/// <param name="Practice">The only practice they can see, or null.</param>
/// <param name="Sheets">The only sheets they count for; null or empty for all.</param>
public sealed record Caller(
    CallerKind Kind,
    int Id,
    string Name,
    string Stamp,
    IReadOnlyList<int> Teams,
    int? Practice = null,
    IReadOnlyList<string>? Sheets = null
)
{
    /// <summary>The only sheets they count for; empty for all.</summary>
    public IReadOnlyList<string> Sheets { get; } = Sheets ?? [];

    /// <summary>Whether they may write on a sheet of what they can see.</summary>
    public bool Keeps(string sheet) => Sheets.Count == 0 || Sheets.Contains(sheet);

    /// <summary>The name in the activity log.</summary>
    public string InRecord =>
        Kind switch
        {
            CallerKind.Joiner => Name + AuditLog.ByCode,
            CallerKind.Device => $"{Name}, a device",
            _ => Name,
        };

    public bool IsHead => Kind == CallerKind.Head;

    public bool IsCoach => Kind is CallerKind.Head or CallerKind.Assistant;

    /// <summary>Whether they can see a practice of a team.</summary>
    public bool Sees(int team, int practice)
    {
        var scope = new TenantScope();
        Narrow(scope);
        return scope.Holds(team, practice);
    }

    /// <summary>Narrows a reach to what they can see.</summary>
    public void Narrow(TenantScope scope)
    {
        if (!IsHead)
        {
            scope.Narrow(Teams, Practice);
        }
    }
}
