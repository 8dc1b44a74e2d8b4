using KeepTally.Core.Cards;
using KeepTally.Core.Simulation;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>The time that the rules of a card will take, for the coach who writes them before the drill was ever played.</summary>
public static class CardForecast
{
    private const int Runs = 300;
    private const int Cap = 2000;

    /// <summary>Goes made of a hundred: a new player, an average player, a good player. Common practice.</summary>
    private static readonly int[] Percents = [35, 50, 65];

    /// <summary>A sentence for each part that its own rules end; none of those that time alone ends.</summary>
    public static IReadOnlyList<string> Of(DrillCard card) =>
        [.. card.Stages.Select((stage, index) => OfStage(card, stage, index)).Where(words => words.Length > 0)];

    private static string OfStage(DrillCard card, Stage stage, int index)
    {
        if (!SimulationWords.Ends(stage))
        {
            return "";
        }

        var untimed = Untimed.Of(card, index);
        var settings = new SimulationSettings(GoPace.Of(card, stage, Math.Max(1, card.Players.Best))) { Runs = Runs, Cap = Cap };
        var told = new List<string>();
        foreach (var percent in Percents)
        {
            if (
                DrillSkill.Of(stage, percent / 100.0, null, null) is not { } skill
                || Simulator.Open(untimed, index, skill) is not { IsOk: true, Value: { } simulator }
            )
            {
                return "";
            }

            var fit = simulator.Run(settings);
            told.Add(
                $"at {percent} % made {(fit.Finished < 0.5 ? "it hardly ends" : Phrase.Clock(Duration.FromSeconds(Math.Round(fit.Seconds.Half))))}"
            );
        }

        var name = card.Stages.Count > 1 ? $"{stage.Name}: without" : "Without";
        var given = card.Minutes > 0 ? $"; the card allows {Phrase.Span(Duration.FromMinutes(card.Minutes))}" : "";
        return $"{name} a time limit it usually takes: {string.Join(", ", told)}{given}.";
    }
}
