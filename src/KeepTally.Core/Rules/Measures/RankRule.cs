using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Rules.Measures;

/// <summary>Ranks units by the card's measures, first measure first; equals share a rank and the next rank is skipped.</summary>
internal static class RankRule
{
    /// <summary>Units with their ranks, the first of them first.</summary>
    /// <param name="measures">The measures, in order of weight.</param>
    /// <param name="units">What stands for each unit, with its figures.</param>
    internal static IReadOnlyList<(int Rank, T Unit)> Rank<T>(
        IReadOnlyList<Measure> measures,
        IReadOnlyList<(T Unit, Figures Figures)> units
    )
    {
        var sorted = units.OrderBy(unit => unit.Figures, Comparer<Figures>.Create((a, b) => Compare(measures, a, b))).ToArray();
        var ranking = new (int Rank, T Unit)[sorted.Length];
        for (var i = 0; i < sorted.Length; i++)
        {
            var shares = i > 0 && Compare(measures, sorted[i - 1].Figures, sorted[i].Figures) == 0;
            ranking[i] = (shares ? ranking[i - 1].Rank : i + 1, sorted[i].Unit);
        }

        return ranking;
    }

    /// <summary>The index of the unit ranked first, or -1 where it is not alone there; without sorting the rest.</summary>
    internal static int LeaderAlone(IReadOnlyList<Measure> measures, ReadOnlySpan<Figures> units)
    {
        var (best, alone) = (-1, false);
        for (var i = 0; i < units.Length; i++)
        {
            var order = best < 0 ? -1 : Compare(measures, units[i], units[best]);
            alone = order < 0 || (alone && order > 0);
            best = order < 0 ? i : best;
        }

        return alone ? best : -1;
    }

    /// <summary>The unit ranked first, where it is alone there.</summary>
    internal static PlayerId? FirstAlone(IReadOnlyList<RankedUnit> ranking) =>
        ranking.Count > 0 && (ranking.Count == 1 || ranking[1].Rank > 1) ? ranking[0].Unit : null;

    /// <summary>The index of the best-ranked unit besides one, the first listed where several share it; -1 where there is no other.</summary>
    internal static int BestOther(Stage stage, ScoreState state, UnitTally besides, RunningTime running)
    {
        var best = -1;
        var figures = default(Figures);
        foreach (var unit in state.Units)
        {
            if (unit == besides)
            {
                continue;
            }

            var these = UnitFigures.Of(stage, unit, state.OwnTime(unit, running));
            if (best < 0 || Compare(stage.Measures, these, figures) < 0)
            {
                (best, figures) = (unit.Index, these);
            }
        }

        return best;
    }

    private static int Compare(IReadOnlyList<Measure> measures, in Figures a, in Figures b)
    {
        foreach (var measure in measures)
        {
            var order = (measure.ValueOf(a), measure.ValueOf(b)) switch
            {
                (null, null) => 0,
                (null, _) => 1,
                (_, null) => -1,
                ({ } left, { } right) => measure.Better == Better.High ? right.CompareTo(left) : left.CompareTo(right),
            };
            if (order != 0)
            {
                return order;
            }
        }

        return 0;
    }
}

/// <summary>A unit and its rank.</summary>
/// <param name="Rank">From 1; equal units share one, and the next is skipped.</param>
/// <param name="Unit">The id of the unit.</param>
public readonly record struct RankedUnit(int Rank, PlayerId Unit);
