using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Scoring;

/// <summary>Points of an outcome, each to its recipient. Totals may go below nought.</summary>
internal static class PointsRule
{
    internal static void Give(OutcomeRule outcome, UnitTally self, UnitTally[] units, NameIndex<PlayerId> byId)
    {
        self.Points += outcome.OwnPoints;
        foreach (var award in outcome.OtherPoints)
        {
            if (award.To is Recipient.Named named)
            {
                units[byId.Of(new PlayerId(named.Unit))].Points += award.Points;
                continue;
            }

            foreach (var unit in units)
            {
                unit.Points += unit == self ? 0 : award.Points;
            }
        }
    }
}
