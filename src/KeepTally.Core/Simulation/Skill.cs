using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;

namespace KeepTally.Core.Simulation;

/// <summary>How goes are likely to come out. The kinds are a closed set. Source: docs/formats.md, section 7.</summary>
public abstract record Skill
{
    private Skill() { }

    /// <summary>Each unit has its own goes.</summary>
    /// <param name="Units">The units in their order on the sheet, at least one.</param>
    public sealed record Own(IReadOnlyList<UnitSkill> Units) : Skill;

    /// <summary>In a match, what comes of a rally, no matter which side it falls to.</summary>
    /// <param name="Outcomes">What may come of it; the chances add up to one.</param>
    public sealed record Rally(IReadOnlyList<LikelyRally> Outcomes) : Skill;

    /// <summary>In a match, what comes of a go of the side that has the ball.</summary>
    /// <param name="Sides">The sides in their order on the sheet.</param>
    public sealed record Ball(IReadOnlyList<UnitSkill> Sides) : Skill;
}

/// <summary>The chances of each outcome of a unit's go.</summary>
/// <param name="Unit">Whose it is.</param>
/// <param name="Outcomes">What may come of it; the chances add up to one. Where zones are asked, <c>hit</c> and <c>miss</c>.</param>
public sealed record UnitSkill(PlayerId Unit, IReadOnlyList<Likely> Outcomes)
{
    /// <summary>
    /// The record the chances were read from: they are then as unsure as it is, and differ from run to run. Null where they are
    /// certain.
    /// </summary>
    public Share? Record { get; init; }

    /// <summary>With a record: this number of outcomes, the first ones, are goes that were made.</summary>
    public int Makes { get; init; } = 1;
}

/// <summary>An outcome, and the chance of it from 0 to 1. An empty one is a go of which nothing is tapped.</summary>
public readonly record struct Likely(string Outcome, double Chance);

/// <summary>An outcome of a unit, and the chance of it from 0 to 1.</summary>
public readonly record struct LikelyRally(PlayerId Unit, string Outcome, double Chance);
