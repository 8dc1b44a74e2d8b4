using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Zones;

/// <summary>Holds each ball against the zone asked and keeps where it really went.</summary>
internal sealed class TargetJudge(Targets targets) : TapJudge, IAttemptJudge, IPointsJudge, IFinishJudge
{
    internal override IRuleState NewState() => new TargetState(targets.Names.Count);

    /// <summary>A ball that names a zone succeeds where it went as asked; either way the next zone is asked.</summary>
    public bool? Attempt(UnitTally unit, int zone, bool? attempt)
    {
        if (zone < 0)
        {
            return attempt;
        }

        var state = (TargetState)unit.State(Slot);
        var asked = state.Asked(targets);
        state.Landed[asked, zone]++;
        state.Answered++;
        return asked == zone;
    }

    public double Points(UnitTally unit, int zone, bool? attempt) => attempt == true && zone >= 0 ? targets.Points : 0;

    public bool Finishes(UnitTally unit, bool? attempt) => ((TargetState)unit.State(Slot)).AllAnswered(targets);
}
