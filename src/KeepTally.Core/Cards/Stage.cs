using KeepTally.Core.Clock;
using KeepTally.Core.Places;

namespace KeepTally.Core.Cards;

/// <summary>One part of a drill with its own scoring. Source: docs/formats.md, section 1, "Stage".</summary>
public sealed record Stage
{
    private readonly IStageRule[] _rules = [];

    /// <summary>The name of the stage.</summary>
    public required string Name { get; init; }

    /// <summary>The kind of unit that carries a score.</summary>
    public required Scorer Scores { get; init; }

    /// <summary>How its units play.</summary>
    public required Play Play { get; init; }

    /// <summary>The ids of the sides; empty where there are none.</summary>
    public required IReadOnlyList<string> Sides { get; init; }

    /// <summary>The outcomes, in the order of the buttons.</summary>
    public required IReadOnlyList<Outcome> Outcomes { get; init; }

    /// <summary>Its rules of scoring, in the order in which they are told and judged; see the folders of <c>Rules/</c>.</summary>
    public required IReadOnlyList<IStageRule> Rules
    {
        get => _rules;
        init => _rules = [.. value];
    }

    /// <summary>The side that starts with the ball, or null where nobody has it.</summary>
    public string? Ball { get; init; }

    /// <summary>Its clock, or null where it has none.</summary>
    public ClockPlan? Clock { get; init; }

    /// <summary>The roles, one in each entry.</summary>
    public IReadOnlyList<string> Roles { get; init; } = [];

    /// <summary>The reminders before a rep.</summary>
    public IReadOnlyList<string> Reminders { get; init; } = [];

    /// <summary>The moves the coach calls for; null where there are none.</summary>
    public Asks? Asks { get; init; }

    /// <summary>Where players stand; empty where everyone is together.</summary>
    public IReadOnlyList<Place> Places { get; init; } = [];

    /// <summary>The moves of a rotation.</summary>
    public IReadOnlyList<Move> Moves { get; init; } = [];

    /// <summary>The trigger of a rotation, or null where the coach turns the places.</summary>
    public RotateOn? Rotate { get; init; }

    /// <summary>How it is played with other numbers on each side, from few to many; empty where it is played in one way only.</summary>
    public IReadOnlyList<Versus> Versus { get; init; } = [];

    /// <summary>Its rule of a kind, or null where it has none.</summary>
    public T? Rule<T>()
        where T : class, IStageRule
    {
        foreach (var rule in _rules)
        {
            if (rule is T found)
            {
                return found;
            }
        }

        return null;
    }
}

/// <summary>The kind of unit that carries a score on a sheet of this stage.</summary>
public enum Scorer
{
    /// <summary>Each player alone.</summary>
    Player,

    /// <summary>Each group together.</summary>
    Group,

    /// <summary>Each side of a match.</summary>
    Side,

    /// <summary>Nobody.</summary>
    None,
}

/// <summary>How units play.</summary>
public enum Play
{
    /// <summary>Any unit may be tapped at any time.</summary>
    Together,

    /// <summary>One unit at a time, in listed order.</summary>
    Turns,

    /// <summary>Two or more sides head to head.</summary>
    Match,
}
