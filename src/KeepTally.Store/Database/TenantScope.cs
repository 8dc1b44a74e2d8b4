namespace KeepTally.Store.Database;

/// <summary>
/// The part of the database that the caller can see: what lies outside is not there for them. Everything, unless it is narrowed:
/// the application itself sees all of it.
/// </summary>
public sealed class TenantScope
{
    /// <summary>The whole database.</summary>
    public bool Everything { get; private set; } = true;

    /// <summary>The teams that can be seen, where not everything can.</summary>
    public IReadOnlyList<int> Teams { get; private set; } = [];

    /// <summary>The only practice that can be seen; null for all of the teams.</summary>
    public int? Practice { get; private set; }

    /// <summary>Narrows it to teams, or to one practice of a team.</summary>
    public void Narrow(IReadOnlyList<int> teams, int? practice = null) => (Everything, Teams, Practice) = (false, teams, practice);

    /// <summary>Whether a practice of a team lies within.</summary>
    public bool Holds(int team, int practice) => Everything || (Teams.Contains(team) && (Practice is null || Practice == practice));
}
