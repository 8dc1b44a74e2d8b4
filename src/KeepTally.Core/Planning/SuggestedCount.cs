using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>Into how many groups a drill is best split. Source: docs/formats.md, section 5.</summary>
public static class SuggestedCount
{
    /// <summary>
    /// The smallest number of groups that suits the card and the caps, keeps the wait short, and for which there are things and
    /// coaches enough; null where there is none.
    /// </summary>
    public static int? For(Plan plan, DrillCard card, int stage = 0)
    {
        for (var groups = 1; groups <= plan.Players; groups++)
        {
            if (Suits(plan, card, stage, groups))
            {
                return groups;
            }
        }

        return null;
    }

    /// <summary>
    /// The same; where none suits, as many groups as the players make, each of the size that suits the card best. Sides share one
    /// court.
    /// </summary>
    public static int OrUsual(Plan plan, DrillCard card) => For(plan, card) ?? Usual(card, plan.Players);

    /// <summary>
    /// Returns a line for the players who are here: as it is where its card allows its groups, else in as many as are suggested.
    /// </summary>
    public static PlanBlock ForPlayers(Plan plan, PlanBlock block, CardShelf shelf)
    {
        if (block is not PlanBlock.Drill drill || shelf.Find(drill) is not { } card)
        {
            return block;
        }

        var (largest, smallest) = (EvenGroups.Largest(plan.Players, drill.Groups), plan.Players / drill.Groups);
        return smallest >= card.Players.Min && largest <= card.Players.Max
            ? drill
            : drill with
            {
                Groups = For(plan, card, CardShelf.StageOf(drill, card)) ?? drill.Groups,
            };
    }

    /// <summary>As many groups as the players make, each of the size that suits the card best; sides share one court.</summary>
    public static int Usual(DrillCard card, int players) =>
        card.Stages[^1].Scores == Scorer.Side
            ? 1
            : Math.Clamp((int)Math.Round((double)players / card.Players.Best), 1, PlanReader.MostGroups);

    private static bool Suits(Plan plan, DrillCard written, int stage, int groups)
    {
        var card = CardShelf.Played(written, stage, plan.Players, groups);
        var (largest, smallest) = (EvenGroups.Largest(plan.Players, groups), plan.Players / groups);
        var needs = Needs.OfDrill(card, plan.Players, groups);
        return largest <= card.Players.Max
            && largest <= (plan.Caps.GroupSize ?? int.MaxValue)
            && smallest >= card.Players.Min
            && (double)
                Activity.Of(card, card.Stages[stage], 0, SharedFloor.Players(card.Stages[stage], plan.Players, groups)).WaitSeconds
                <= plan.LongestWait
            && !needs.Short(plan.Equipment).Any()
            && (plan.Coaches is not { } coaches || needs.Coaches <= coaches);
    }
}
