using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>How one sheet of a drill ended.</summary>
/// <param name="Name">The name of the group or court it was kept on; empty where there was only one.</param>
/// <param name="Head">Who it was for.</param>
/// <param name="Units">Everyone who carries a score on it.</param>
/// <param name="Begun">Whether it was started at all.</param>
public sealed record DrillSheet(string Name, LogHead Head, IReadOnlyList<Unit> Units, bool Begun, ScoreReport Report);

/// <summary>One unit's line in the results of a drill.</summary>
/// <param name="Rank">From 1; null for who is not ranked: it did not play, or has no value to be ranked by.</param>
public sealed record DrillRow(int? Rank, DrillSheet Sheet, Unit Unit, UnitReport Report)
{
    /// <summary>Who played for it, and when; nobody where its sheet was never reached.</summary>
    public IReadOnlyList<Stay> Stays { get; } =
    [.. Sheet.Report.Stays.Where(stay => Sheet.Begun && stay.Unit == Unit.Id && WasOn(stay, Sheet.Report.Running))];

    /// <summary>Whether anybody played for it.</summary>
    public bool Played => Stays.Count > 0;

    private static bool WasOn(Stay stay, RunningTime end) => stay.From < end || stay.From == RunningTime.Zero;
}

/// <summary>The results of a drill over all its sheets, ranked by the card's measures.</summary>
public static class DrillTable
{
    /// <summary>
    /// Every unit with its rank, the best first. Whoever did not play, or has no value by the first measure, is not ranked and
    /// comes after the rest; a stage without scores ranks nobody.
    /// </summary>
    /// <param name="sheets">All of the same stage.</param>
    public static IReadOnlyList<DrillRow> Rank(Stage stage, IReadOnlyList<DrillSheet> sheets)
    {
        DrillRow[] rows =
        [
            .. sheets.SelectMany(sheet =>
                sheet.Report.Units.Select(unit => new DrillRow(null, sheet, sheet.Units.First(each => each.Id == unit.Id), unit))
            ),
        ];
        var ranked = RankRule.Rank(
            stage.Measures,
            [.. rows.Where(row => IsRanked(stage, row)).Select(row => (row, row.Report.Figures))]
        );
        return
        [
            .. ranked.Select(each => each.Unit with { Rank = each.Rank }),
            .. rows.Where(row => !IsRanked(stage, row)).OrderBy(row => !row.Played),
        ];
    }

    private static bool IsRanked(Stage stage, DrillRow row) =>
        stage.Scores != Scorer.None && row.Played && row.Report.Value(stage.Measures[0].By) is not null;
}
