using KeepTally.Core.Events;
using KeepTally.Core.Rules.Measures;

namespace KeepTally.Core.Scoring;

/// <summary>One unit's line in the results of a drill.</summary>
/// <param name="Sheet">The name of the group or court it was kept on; empty where there was only one.</param>
public sealed record DrillRow(int Rank, string Sheet, Unit Unit, UnitReport Report);

/// <summary>The results of a drill over all its sheets, ranked by the card's measures.</summary>
public static class DrillTable
{
    /// <param name="sheets">Each sheet's name, its units and how it stands; all of the same stage.</param>
    public static IReadOnlyList<DrillRow> Rank(
        IReadOnlyList<Measure> measures,
        IReadOnlyList<(string Name, IReadOnlyList<Unit> Units, ScoreReport Report)> sheets
    )
    {
        var lines = sheets
            .SelectMany(sheet =>
                sheet.Report.Units.Select(unit =>
                    ((sheet.Name, Unit: sheet.Units.First(each => each.Id == unit.Id), Report: unit), unit.Figures)
                )
            )
            .ToArray();
        return
        [
            .. RankRule
                .Rank(measures, lines)
                .Select(ranked => new DrillRow(ranked.Rank, ranked.Unit.Name, ranked.Unit.Unit, ranked.Unit.Report)),
        ];
    }
}
