using KeepTally.Core.Cards;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Streaks;

/// <summary>How a run of successes is told: where a miss does not break it, it is so many made, and no run.</summary>
internal static class StreakWords
{
    /// <summary>"ten in a row", or "ten made".</summary>
    internal static string Of(Stage stage, int count) => $"{Phrase.Count(count)} {Kind(stage)}";

    /// <summary>"in a row", or "made".</summary>
    internal static string Kind(Stage stage) => stage.Streak == StreakMiss.Hold && stage.Play != Play.Match ? "made" : "in a row";
}
