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
/// <param name="Report">The report of the score.</param>
public sealed record DrillSheet(string Name, LogHead Head, IReadOnlyList<Unit> Units, bool Begun, ScoreReport Report)
{
    /// <summary>The id of the stored sheet; empty where it is not stored.</summary>
    public string Id { get; init; } = "";

    /// <summary>More than one game was played on it.</summary>
    public bool IsSeries => Report.Games.Count > 1;
}

/// <summary>One unit's line in the results of a drill.</summary>
/// <param name="Rank">From 1; null for who is not ranked: it did not play, or had no go.</param>
/// <param name="Stage">What was played.</param>
/// <param name="Sheet">The sheet.</param>
/// <param name="Unit">The report of the unit.</param>
/// <param name="Report">What it did, over all games where there were several.</param>
public sealed record DrillRow(int? Rank, Stage Stage, DrillSheet Sheet, Unit Unit, UnitReport Report)
{
    /// <summary>The players of the unit and their times, game by game; empty where the sheet was never reached.</summary>
    public IReadOnlyList<IReadOnlyList<Stay>> StaysByGame { get; } =
    [
        .. Sheet.Report.Games.Select(game =>
            game.Stays.Where(stay => Sheet.Begun && stay.Unit == Unit.Id && WasOn(stay, game)).ToArray()
        ),
    ];

    /// <summary>Games of its sheet that it won; null where only one was played.</summary>
    public int? GamesWon => Sheet.IsSeries ? Sheet.Report.Games.Count(game => game.Winner == Unit.Id) : null;

    /// <summary>Whether it has won: the match, most games, or by an outcome that wins at once.</summary>
    public bool IsWinner =>
        GamesWon is { } games
            ? games > 0
            : Sheet.Report is { Done: true, Winner: { } winner }
                && winner == Unit.Id
                && (IsOfMatch || Sheet.Report.WonWith is not null);

    private bool IsOfMatch => Stage.Play == Play.Match;

    /// <summary>Something was counted for it.</summary>
    public bool HadGo => Report.HadGo;

    /// <summary>Whether a player played for it.</summary>
    public bool Played => StaysByGame.Any(game => game.Count > 0);

    private static bool WasOn(Stay stay, ScoreReport game) => stay.From < game.Running || stay.From == RunningTime.Zero;
}

/// <summary>The results of a drill over all its sheets, ranked by the card's measures.</summary>
public static class DrillTable
{
    /// <summary>
    /// Every unit with its rank, the best first: more games won, or the match, then by the measures. Anyone who had no go is
    /// not ranked and comes after the rest, though in a match both sides are; a stage without scores ranks nobody.
    /// </summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="sheets">All of the same stage.</param>
    public static IReadOnlyList<DrillRow> Rank(Stage stage, IReadOnlyList<DrillSheet> sheets)
    {
        DrillRow[] rows =
        [
            .. sheets.SelectMany(sheet =>
                sheet.Report.Units.Select(unit => new DrillRow(
                    null,
                    stage,
                    sheet,
                    sheet.Units.First(each => each.Id == unit.Id),
                    GameTotals.Of(stage, sheet.Report.Games, unit.Id)
                ))
            ),
        ];
        var by = MeasuresOf(stage, rows);
        var ranked = new List<DrillRow>();
        foreach (
            var won in rows.Where(IsRanked).GroupBy(row => row.GamesWon ?? (row.IsWinner ? 1 : 0)).OrderByDescending(won => won.Key)
        )
        {
            var before = ranked.Count;
            ranked.AddRange(
                RankRule
                    .Rank(by, [.. won.Select(row => (row, row.Report.Figures))])
                    .Select(each => each.Unit with { Rank = each.Rank + before })
            );
        }

        return [.. ranked, .. rows.Where(row => !IsRanked(row)).OrderBy(row => !row.Played)];
    }

    /// <summary>The measures that rank the rows: the card's, or own counts where nobody was tapped and some were reported.</summary>
    internal static IReadOnlyList<Measure> MeasuresOf(Stage stage, IReadOnlyList<DrillRow> rows) =>
        stage.RankedBy(
            rows.Any(row => row.Report.Counts.Any(count => count.Value > 0)),
            rows.Any(row => row.Report.OwnCount is not null)
        );

    private static bool IsRanked(DrillRow row) =>
        row.Stage.Scores != Scorer.None && row.Played && (row.HadGo || (row.Stage.Play == Play.Match && row.Sheet.Report.Started));
}
