using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>The aim of a sheet as it stands: "First to 11 with a lead of 2", "10 to 10: two clear now".</summary>
public static class AimWords
{
    /// <summary>Empty where only the clock or the coach ends it.</summary>
    /// <param name="stage">The stage whose aim is said.</param>
    /// <param name="points">The points of each unit.</param>
    public static string Of(Stage stage, IReadOnlyList<double> points) =>
        Phrase.Capital(string.Join(", or ", stage.Until.Select(ending => ending.Aim(stage, points)).Where(aim => aim.Length > 0)));

    /// <summary>Whether it can change while the sheet is played.</summary>
    public static bool CanChange(Stage stage) => stage.Until.Any(ending => ending is PointsEnding { Lead: > 1 });
}
