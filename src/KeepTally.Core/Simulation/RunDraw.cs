using KeepTally.Core.Chance;

namespace KeepTally.Core.Simulation;

/// <summary>The chances of one run, and what is drawn by them: each run has a stream of its own, so that it comes out the same by itself.</summary>
internal readonly struct RunDraw
{
    private const double Unit = 1.0 / (1UL << 53);

    private readonly SeededDraw _draw;

    /// <summary>Where in the bounds of their records players stand in this run, from 0 to 1.</summary>
    private readonly double[]? _chances;

    internal RunDraw(Skill skill, SimulationSettings settings, int run)
    {
        _draw = new SeededDraw(settings.Seed, run);
        _chances = null;
        if (skill is Skill.Own own && own.Units.Any(unit => unit.Record is not null))
        {
            _chances = new double[own.Units.Count];
            for (var unit = 0; unit < _chances.Length; unit++)
            {
                _chances[unit] = own.Units[unit].Record is { } record ? UnsureShare.At(record, Next()) : double.NaN;
            }
        }
    }

    private double Next() => (_draw.Next() >> 11) * Unit;

    /// <summary>The index of what came of a rally.</summary>
    internal int Of(Skill.Rally rally)
    {
        var left = Next();
        for (var i = 0; i < rally.Outcomes.Count; i++)
        {
            left -= rally.Outcomes[i].Chance;
            if (left < 0)
            {
                return i;
            }
        }

        return rally.Outcomes.Count - 1;
    }

    /// <summary>The outcome drawn for a unit's go.</summary>
    internal string Of(IReadOnlyList<UnitSkill> units, int unit)
    {
        var (outcomes, left) = (units[unit].Outcomes, Next());
        if (_chances is { } chances && !double.IsNaN(chances[unit]))
        {
            left = ByRecord(units[unit], chances[unit], left);
        }

        for (var i = 0; i < outcomes.Count; i++)
        {
            left -= outcomes[i].Chance;
            if (left < 0)
            {
                return outcomes[i].Outcome;
            }
        }

        return outcomes[^1].Outcome;
    }

    /// <summary>Maps a draw from the share of this run to the current chances.</summary>
    private static double ByRecord(UnitSkill unit, double share, double drawn)
    {
        var made = 0.0;
        for (var i = 0; i < unit.Makes; i++)
        {
            made += unit.Outcomes[i].Chance;
        }

        return drawn < share ? drawn / share * made : made + ((drawn - share) / (1 - share) * (1 - made));
    }
}
