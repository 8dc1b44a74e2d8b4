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

    /// <summary>The index of the outcome drawn for a unit's go.</summary>
    /// <param name="outcomes">What may come of it.</param>
    /// <param name="makes">The number of outcomes, the first ones, that are goes that were made.</param>
    /// <param name="unit">The position of the unit, from 0.</param>
    internal int Of(Likely[] outcomes, int makes, int unit)
    {
        var left = Next();
        if (_chances is { } chances && !double.IsNaN(chances[unit]))
        {
            left = ByRecord(outcomes.AsSpan(0, makes), chances[unit], left);
        }

        for (var i = 0; i < outcomes.Length; i++)
        {
            left -= outcomes[i].Chance;
            if (left < 0)
            {
                return i;
            }
        }

        return outcomes.Length - 1;
    }

    /// <summary>Maps a draw from the share of this run to the current chances.</summary>
    private static double ByRecord(ReadOnlySpan<Likely> makes, double share, double drawn)
    {
        var made = 0.0;
        foreach (var make in makes)
        {
            made += make.Chance;
        }

        return drawn < share ? drawn / share * made : made + ((drawn - share) / (1 - share) * (1 - made));
    }
}
