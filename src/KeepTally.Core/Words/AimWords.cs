using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>What a sheet is played for, as it stands: "First to 11 with a lead of 2", "10 to 10: two clear now".</summary>
public static class AimWords
{
    /// <summary>Empty where only the clock or the coach ends it, and once it is done.</summary>
    public static string Of(Stage stage, ScoreReport report)
    {
        if (report.Done)
        {
            return "";
        }

        double[] points = [.. report.Units.Select(unit => unit.Points)];
        return Phrase.Capital(
            string.Join(", or ", stage.Until.Select(ending => ending.Aim(stage, points)).Where(aim => aim.Length > 0))
        );
    }
}
