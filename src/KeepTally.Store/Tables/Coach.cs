using KeepTally.Core.Measures;
using Microsoft.AspNetCore.Identity;

namespace KeepTally.Store.Tables;

/// <summary>Someone with an account: a head coach, or an assistant of some teams. A name is all that is known of them.</summary>
public sealed class Coach : IdentityUser<int>
{
    /// <summary>May do everything in this installation; else an assistant, who runs, records and reads for their teams.</summary>
    public bool IsHead { get; set; }

    /// <summary>Made up, for the demo; signs in without a password, and only there.</summary>
    public bool IsDemo { get; init; }

    /// <summary>How long their pace is, in metres; null until it was walked.</summary>
    public double? Pace { get; set; }

    /// <summary>The unit in which they count distances.</summary>
    public LengthUnit CountsIn { get; set; }

    /// <summary>The teams of an assistant.</summary>
    public List<CoachTeam> Teams { get; init; } = [];
}

/// <summary>An assistant helps with a team.</summary>
public sealed class CoachTeam
{
    public int CoachId { get; init; }

    public int TeamId { get; init; }
}
