using KeepTally.Core.Cards;

namespace KeepTally.Core.Sheets.Rules;

/// <summary>Ranks units by the card's measures, first measure first; equals share a rank and the next rank is skipped.</summary>
internal static class RankRule
{
    internal static IReadOnlyList<RankedUnit> Rank(IReadOnlyList<Measure> measures, IReadOnlyList<UnitReport> units)
    {
        var sorted = units.OrderBy(unit => unit, Comparer<UnitReport>.Create((a, b) => Compare(measures, a, b))).ToArray();
        var ranking = new RankedUnit[sorted.Length];
        for (var i = 0; i < sorted.Length; i++)
        {
            var shares = i > 0 && Compare(measures, sorted[i - 1], sorted[i]) == 0;
            ranking[i] = new RankedUnit(shares ? ranking[i - 1].Rank : i + 1, sorted[i].Id);
        }

        return ranking;
    }

    /// <summary>The unit ranked first, where it is alone there.</summary>
    internal static string? FirstAlone(IReadOnlyList<RankedUnit> ranking) =>
        ranking.Count > 0 && (ranking.Count == 1 || ranking[1].Rank > 1) ? ranking[0].Unit : null;

    /// <summary>The index of the best-ranked unit besides one, the first listed where several share it; -1 where there is no other.</summary>
    internal static int BestOther(Stage stage, SheetState state, UnitTally besides, long running)
    {
        var others = state.Units.Where(unit => unit != besides).ToArray();
        if (others.Length == 0)
        {
            return -1;
        }

        var reports = others.Select(unit => UnitReporter.Report(stage, unit, state.OwnTime(unit, running), unit.Done)).ToArray();
        return others.First(unit => unit.Unit.Id == Rank(stage.Measures, reports)[0].Unit).Index;
    }

    private static int Compare(IReadOnlyList<Measure> measures, UnitReport a, UnitReport b)
    {
        foreach (var measure in measures)
        {
            var order = (a.Value(measure.By), b.Value(measure.By)) switch
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
