using KeepTally.Core.Cards;

namespace KeepTally.Core.Rules;

/// <summary>The words for the units of a stage: players, groups or sides.</summary>
internal static class Units
{
    /// <summary>"player", "group" or "side".</summary>
    internal static string Of(Stage stage) =>
        stage.Scores switch
        {
            Scorer.Group => "group",
            Scorer.Side => "side",
            Scorer.Player or Scorer.None => "player",
        };
}
