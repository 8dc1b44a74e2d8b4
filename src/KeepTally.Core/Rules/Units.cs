using KeepTally.Core.Cards;

namespace KeepTally.Core.Rules;

/// <summary>What those who carry a score are called.</summary>
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
