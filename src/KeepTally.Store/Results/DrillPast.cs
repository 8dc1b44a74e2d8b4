using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;

namespace KeepTally.Store.Results;

/// <summary>How a drill went over time, in one way of scoring it.</summary>
/// <param name="Card">The card as it was run last.</param>
/// <param name="Stage">The stage of the card.</param>
/// <param name="Days">Practice by practice, the oldest first.</param>
/// <param name="Players">Everyone who had a result of their own, by name.</param>
public sealed record DrillPast(DrillCard Card, Stage Stage, IReadOnlyList<DrillDay> Days, IReadOnlyList<PlayerPast> Players)
{
    /// <summary>All goes that were tapped.</summary>
    public Share All => Share.Sum(Days.Select(day => day.Share));

    /// <summary>How the share of goes made has gone; null with too few practices.</summary>
    public Trend? Trend => PastJudgement.OfDays(Days.Select(day => (day.Practice, day.Share)));

    /// <summary>How often each outcome was tapped.</summary>
    public required IReadOnlyDictionary<string, int> Counts { get; init; }

    /// <summary>A drill's past, one for each way it was scored, the latest way first.</summary>
    public static IReadOnlyList<DrillPast> Of(IReadOnlyList<PastSheet> sheets) =>
        [
            .. sheets
                .Where(sheet => sheet.Outcome.Report.Games.Any(game => game.IsTapped))
                .GroupBy(sheet => sheet.Scoring)
                .OrderByDescending(alike => alike.Max(sheet => sheet.Practice.Date))
                .Select(alike => OfOne([.. alike])),
        ];

    private static DrillPast OfOne(IReadOnlyList<PastSheet> sheets)
    {
        var stage = sheets[^1].Outcome.Stage;
        var units = sheets.SelectMany(UnitsOf).ToArray();
        return new DrillPast(
            sheets[^1].Outcome.Card,
            stage,
            [
                .. units
                    .GroupBy(unit => unit.Practice)
                    .OrderBy(day => day.Key.Date)
                    .Select(day => DrillDay.Of(stage, day.Key, [.. day])),
            ],
            stage.Scores != Scorer.Player
                ? []
                :
                [
                    .. units
                        .GroupBy(unit => unit.Report.Id)
                        .Select(player => PlayerPast.Of(stage, player.Key, [.. player]))
                        .OrderBy(player => player.Name, StringComparer.Ordinal),
                ]
        )
        {
            Counts = units
                .SelectMany(unit => unit.Report.Counts)
                .GroupBy(count => count.Key, StringComparer.Ordinal)
                .ToDictionary(count => count.Key, count => count.Sum(each => each.Value), StringComparer.Ordinal),
        };
    }

    private static IEnumerable<UnitResult> UnitsOf(PastSheet sheet) =>
        sheet
            .Outcome.Units.Select(unit => new UnitResult(
                sheet.Practice,
                unit.Name,
                GameTotals.Of(sheet.Outcome.Stage, sheet.Outcome.Report.Games, unit.Id)
            ))
            .Where(unit => unit.Report.Counts.Any(count => count.Value > 0));
}

/// <summary>The results of one unit in one practice.</summary>
public sealed record UnitResult(PastPractice Practice, string Name, UnitReport Report)
{
    /// <summary>Its goes that were made, of all.</summary>
    public Share Share => new(Report.Successes, Report.Attempts);
}

/// <summary>How a drill went in one practice.</summary>
/// <param name="Practice">The practice.</param>
/// <param name="Units">How many players, groups or sides had a go.</param>
/// <param name="Share">The share of goes made.</param>
/// <param name="Mean">The mean over them of what ranks them; null where none has a value.</param>
/// <param name="Best">The best of them.</param>
public sealed record DrillDay(PastPractice Practice, int Units, Share Share, double? Mean, double? Best)
{
    internal static DrillDay Of(Stage stage, PastPractice practice, IReadOnlyList<UnitResult> units)
    {
        var values = units.Select(unit => unit.Report.Value(stage.Measures[0])).OfType<double>().ToArray();
        return new DrillDay(
            practice,
            units.Count,
            Share.Sum(units.Select(unit => unit.Share)),
            values.Length == 0 ? null : values.Average(),
            PastJudgement.Best(stage, values)
        );
    }
}

/// <summary>The results of one player in a drill, over all practices.</summary>
/// <param name="Id">The id of the player.</param>
/// <param name="Name">The player's name.</param>
/// <param name="Days">Practice by practice, the oldest first.</param>
/// <param name="Best">The best result; null where there is none.</param>
public sealed record PlayerPast(
    PlayerId Id,
    string Name,
    IReadOnlyList<(PastPractice Practice, Share Share, double? Value)> Days,
    double? Best
)
{
    /// <summary>All goes.</summary>
    public Share All => Share.Sum(Days.Select(day => day.Share));

    /// <summary>How the share of goes made has gone; null with too few practices.</summary>
    public Trend? Trend => PastJudgement.OfDays(Days.Select(day => (day.Practice, day.Share)));

    internal static PlayerPast Of(Stage stage, PlayerId id, IReadOnlyList<UnitResult> results) =>
        new(
            id,
            results[^1].Name,
            [
                .. results
                    .GroupBy(result => result.Practice)
                    .OrderBy(day => day.Key.Date)
                    .Select(day =>
                        (day.Key, Share.Sum(day.Select(result => result.Share)), PastJudgement.Best(stage, [.. Values(stage, day)]))
                    ),
            ],
            PastJudgement.Best(stage, [.. Values(stage, results)])
        );

    private static IEnumerable<double> Values(Stage stage, IEnumerable<UnitResult> results) =>
        results.Select(result => result.Report.Value(stage.Measures[0])).OfType<double>();
}

/// <summary>Turns days of practice and values of a stage into shares and trends.</summary>
internal static class PastJudgement
{
    internal static Trend? OfDays(IEnumerable<(PastPractice Practice, Share Share)> days) =>
        Trend.OfShares([.. days.Select(day => ((double)day.Practice.Date.DayNumber, day.Share))]);

    internal static double? Best(Stage stage, IReadOnlyCollection<double> values) =>
        values.Count == 0 ? null
        : stage.Measures[0].Better == Better.High ? values.Max()
        : values.Min();
}
