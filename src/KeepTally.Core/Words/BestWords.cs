using KeepTally.Core.Cards;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;

namespace KeepTally.Core.Words;

/// <summary>How a player compares with their personal best and the squad's, in a few words.</summary>
public static class BestWords
{
    /// <summary>Better than any player of the squad before.</summary>
    public const string Squad = "best of the squad";

    /// <summary>"best of the squad", "new best", "best 12"; empty where there is none.</summary>
    public static string Of(PastBests bests, Stage stage, UnitReport unit) =>
        bests.Judge(stage, unit) switch
        {
            BestKind.Squad => Squad,
            BestKind.Own => "new best",
            BestKind.None => bests.Own.TryGetValue(unit.Id, out var own) && stage.Scores == Scorer.Player
                ? $"best {stage.Measures[0].By.Figure(own)}"
                : "",
        };
}
