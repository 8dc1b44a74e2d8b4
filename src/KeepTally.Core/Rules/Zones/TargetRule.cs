using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Zones;

/// <summary>Zones asked in order; where the ball really went is kept.</summary>
internal static class TargetRule
{
    /// <summary>The zone asked next, as an index into the zones' names.</summary>
    internal static int Asked(Targets targets, UnitTally unit) => targets.Order[unit.Answered % targets.Zones.Count];

    /// <summary>Whether the ball went where it was asked to. Either way the next zone is asked.</summary>
    /// <param name="landed">The zone's index, or the number of zones for none.</param>
    internal static bool Answer(Targets targets, UnitTally unit, int landed)
    {
        var asked = Asked(targets, unit);
        unit.Landed[asked, landed]++;
        unit.Answered++;
        return asked == landed;
    }

    internal static bool AllAnswered(Targets targets, UnitTally unit) => unit.Answered >= targets.Asked;
}
