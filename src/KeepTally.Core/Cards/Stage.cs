using KeepTally.Core.Clock;
using KeepTally.Core.Places;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Core.Cards;

/// <summary>One part of a drill with its own scoring. Source: docs/formats.md, section 1, "Stage".</summary>
/// <param name="Tags">What else a tap may say, each with its values.</param>
/// <param name="Roles">Who does what, one role in each entry.</param>
/// <param name="Reminders">What is said before the rep it is needed in.</param>
public sealed record Stage(
    string Name,
    Scorer Scores,
    Play Play,
    IReadOnlyList<string> Sides,
    IReadOnlyList<Outcome> Outcomes,
    IReadOnlyList<Ending> Until,
    Ladder? Ladder,
    Targets? Targets,
    IReadOnlyList<TagKind> Tags,
    IReadOnlyList<Limit> Limits,
    StreakMiss Streak,
    string? Ball,
    IReadOnlyList<Measure> Measures,
    Par? Par,
    ClockPlan? Clock,
    IReadOnlyList<string> Roles,
    IReadOnlyList<string> Reminders,
    IReadOnlyList<Place> Places,
    IReadOnlyList<Move> Moves,
    RotateOn? Rotate
);

/// <summary>Who carries a score on a sheet of this stage.</summary>
public enum Scorer
{
    Player,
    Group,
    Side,
    None,
}

public enum Play
{
    /// <summary>Any unit may be tapped at any time.</summary>
    Together,

    /// <summary>One unit at a time, in listed order.</summary>
    Turns,

    /// <summary>Two or more sides head to head.</summary>
    Match,
}

/// <summary>What a failure does to the run of successes.</summary>
public enum StreakMiss
{
    Zero,
    Hold,
}

/// <summary>The standard to reach; shown and judged, never ending the stage.</summary>
public sealed record Par(MeasureBy By, double Value);
