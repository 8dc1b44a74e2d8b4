using KeepTally.Core.Rules.Effects;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Core.Rulebook;

/// <summary>The rules of <c>keep-tally/drill@1</c>. A rule is added by its own folder under <c>Rules/</c> and one line here.</summary>
public static class StandardRules
{
    /// <summary>The kinds of ending, in the order the editor offers them.</summary>
    public static IReadOnlyList<EndingKind> Endings { get; } =
    [
        PointsEnding.Kind,
        AttemptsEnding.Kind,
        SuccessesEnding.Kind,
        StreakEnding.Kind,
        OutsEnding.Kind,
        TapsEnding.Kind,
        TurnsEnding.Kind,
        TimeEnding.Kind,
    ];

    /// <summary>All of them.</summary>
    public static RuleSet All { get; } =
        new(
            [
                Tags.Kind,
                RepeatLimits.Kind,
                Streak.Kind,
                Ladder.Kind,
                Targets.Kind,
                Until.KindOf(Endings),
                Ranking.KindOf(MeasureKinds.All),
                Par.KindOf(MeasureKinds.All),
            ],
            OutcomeEffects.All
        );
}
