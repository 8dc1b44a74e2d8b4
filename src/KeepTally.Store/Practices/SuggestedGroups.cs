using KeepTally.Core.Cards;

namespace KeepTally.Store.Practices;

/// <summary>How many groups a card suggests for the players there are.</summary>
public static class SuggestedGroups
{
    /// <summary>As many as the players make, each of the size that suits the card best; sides share one court.</summary>
    public static int For(DrillCard card, int players) =>
        card.Stages[^1].Scores == Scorer.Side ? 1 : Math.Max(1, (int)Math.Round((double)players / card.Players.Best));
}
