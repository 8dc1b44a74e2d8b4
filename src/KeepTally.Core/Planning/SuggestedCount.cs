using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>Into how many groups a drill is best split. Source: docs/formats.md, section 5.</summary>
public static class SuggestedCount
{
    /// <summary>
    /// The smallest number of groups that suits the card and the caps, keeps the wait short, and for which there are things and
    /// coaches enough; null where there is none.
    /// </summary>
    public static int? For(Plan plan, DrillCard card, Stage stage, double seconds)
    {
        for (var groups = 1; groups <= plan.Players; groups++)
        {
            if (Suits(plan, card, stage, seconds, groups))
            {
                return groups;
            }
        }

        return null;
    }

    private static bool Suits(Plan plan, DrillCard card, Stage stage, double seconds, int groups)
    {
        var (largest, smallest) = (EvenGroups.Largest(plan.Players, groups), plan.Players / groups);
        var needs = Needs.OfDrill(card, plan.Players, groups);
        return largest <= card.Players.Max
            && largest <= (plan.Caps.GroupSize ?? int.MaxValue)
            && smallest >= card.Players.Min
            && (double)Activity.Of(card, stage, seconds, largest).WaitSeconds <= plan.LongestWait
            && !needs.Short(plan.Equipment).Any()
            && (plan.Coaches is not { } coaches || needs.Coaches <= coaches);
    }
}
