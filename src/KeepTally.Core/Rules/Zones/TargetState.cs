using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Zones;

/// <summary>How far a unit is along the zones asked, and where its balls went.</summary>
internal sealed class TargetState(int zones) : IRuleState
{
    /// <summary>How many zones have been asked and answered.</summary>
    internal int Answered { get; set; }

    /// <summary>Asked zone by landed zone; the last column is no zone at all.</summary>
    internal int[,] Landed { get; private init; } = new int[zones, zones + 1];

    /// <summary>The zone asked next, as an index into the zones' names.</summary>
    internal int Asked(Targets targets) => targets.Order[Answered % targets.Zones.Count];

    internal bool AllAnswered(Targets targets) => Answered >= targets.Asked;

    /// <inheritdoc/>
    public IRuleState Copy() => new TargetState(Landed.GetLength(0)) { Answered = Answered, Landed = (int[,])Landed.Clone() };
}
