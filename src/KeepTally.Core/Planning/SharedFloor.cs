using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>How many players share a floor, and so wait for each other. Source: docs/formats.md, section 5.</summary>
public static class SharedFloor
{
    /// <summary>
    /// Where groups take turns or play each other, everyone; else those of one group, the largest. The sides of a court are
    /// dealt out of one group, so a match of sides is shared by that group.
    /// </summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="players">How many there are in all.</param>
    /// <param name="groups">How many groups or courts they make, 1 or more.</param>
    public static int Players(Stage stage, int players, int groups) =>
        stage is { Scores: Scorer.Group or Scorer.None, Play: not Play.Together } ? players : EvenGroups.Largest(players, groups);
}
