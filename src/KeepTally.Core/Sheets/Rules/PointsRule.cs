using KeepTally.Core.Cards;

namespace KeepTally.Core.Sheets.Rules;

/// <summary>Points of an outcome, each to its recipient. Totals may go below nought.</summary>
internal static class PointsRule
{
    internal static void Give(IReadOnlyList<Award> awards, UnitTally self, UnitTally[] units, Dictionary<string, int> byId)
    {
        for (var i = 0; i < awards.Count; i++)
        {
            var award = awards[i];
            switch (award.To)
            {
                case Recipient.Self:
                    self.Points += award.Points;
                    break;
                case Recipient.Other:
                    foreach (var unit in units)
                    {
                        unit.Points += unit == self ? 0 : award.Points;
                    }

                    break;
                case Recipient.Named named:
                    units[byId[named.Unit]].Points += award.Points;
                    break;
            }
        }
    }
}
