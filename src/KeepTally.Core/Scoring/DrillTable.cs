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
public sealed record DrillSheet(string Name, LogHead Head, IReadOnlyList<Unit> Units, bool Begun, ScoreReport Report)
{
    /// <summary>What it is known by where it is kept; empty where it is not.</summary>
    public string Id { get; init; } = "";

    /// <summary>More than one game was played on it.</summary>
    public bool IsSeries => Report.Games.Count > 1;
}

/// <summary>One unit's line in the results of a drill.</summary>
/// <param name="Rank">From 1; null for who is not ranked: it did not play, or has no value to be ranked by.</param>
/// <param name="Report">What it did, over all games where there were several.</param>
public sealed record DrillRow(int? Rank, DrillSheet Sheet, Unit Unit, UnitReport Report)
{
    /// <summary>Who played for it, and when, game by game; nobody where its sheet was never reached.</summary>
    public IReadOnlyList<IReadOnlyList<Stay>> StaysByGame { get; } =
    [
        .. Sheet.Report.Games.Select(game =>
            game.Stays.Where(stay => Sheet.Begun && stay.Unit == Unit.Id && WasOn(stay, game)).ToArray()
        ),
    ];

    /// <summary>Games of its sheet that it won; null where only one was played.</summary>
    public int? GamesWon => Sheet.IsSeries ? Sheet.Report.Games.Count(game => game.Winner == Unit.Id) : null;

    /// <summary>Whether anybody played for it.</summary>
    public bool Played => StaysByGame.Any(game => game.Count > 0);

    private static bool WasOn(Stay stay, ScoreReport game) => stay.From < game.Running || stay.From == RunningTime.Zero;
}

/// <summary>The results of a drill over all its sheets, ranked by the card's measures.</summary>
public static class DrillTable
{
    /// <summary>
    /// Every unit with its rank, the best first; where several games were played, who won more of them. Whoever did not play, or
    /// has no value by the first measure, is not ranked and comes after the rest; a stage without scores ranks nobody.
    /// </summary>
    /// <param name="sheets">All of the same stage.</param>
    public static IReadOnlyList<DrillRow> Rank(Stage stage, IReadOnlyList<DrillSheet> sheets)
    {
        DrillRow[] rows =
        [
            .. sheets.SelectMany(sheet =>
                sheet.Report.Units.Select(unit => new DrillRow(
                    null,
                    sheet,
                    sheet.Units.First(each => each.Id == unit.Id),
                    GameTotals.Of(stage, sheet.Report.Games, unit.Id)
                ))
            ),
        ];
        var by = stage.RankedBy(
            Array.Exists(rows, row => row.Report.Counts.Any(count => count.Value > 0)),
            Array.Exists(rows, row => row.Report.OwnCount is not null)
        );
        var ranked = new List<DrillRow>();
        foreach (
            var won in rows.Where(row => IsRanked(stage, by, row))
                .GroupBy(row => row.GamesWon ?? 0)
                .OrderByDescending(won => won.Key)
        )
        {
            var before = ranked.Count;
            ranked.AddRange(
                RankRule
                    .Rank(by, [.. won.Select(row => (row, row.Report.Figures))])
                    .Select(each => each.Unit with { Rank = each.Rank + before })
            );
        }

        return [.. ranked, .. rows.Where(row => !IsRanked(stage, by, row)).OrderBy(row => !row.Played)];
    }

    private static bool IsRanked(Stage stage, IReadOnlyList<Measure> by, DrillRow row) =>
        stage.Scores != Scorer.None && row.Played && row.Report.Value(by[0].By) is not null;
}
