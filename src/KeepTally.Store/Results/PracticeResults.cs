using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Results;

/// <summary>The results of a practice: every drill's sheets as they ended, ranked.</summary>
public sealed class PracticeResults(ScoredRuns outcomes)
{
    /// <summary>The results of every drill that can be scored, in the order of the timing sheet.</summary>
    public async Task<IReadOnlyList<DrillResult>> OfAsync(int practiceId, CancellationToken cancellationToken = default) =>
        [.. (await outcomes.OfPracticeAsync(practiceId, cancellationToken)).Where(run => run.Fault is null).SelectMany(Of)];

    /// <summary>Drills of a practice whose card no longer reads, by block, each with what is wrong. Every tap of them is kept.</summary>
    public async Task<IReadOnlyList<(int Block, Fault Fault)>> UnreadableAsync(
        int practiceId,
        CancellationToken cancellationToken = default
    ) =>
        [
            .. (await outcomes.OfPracticeAsync(practiceId, cancellationToken))
                .Where(run => run.Fault is not null)
                .Select(run => (run.Run.BlockId, run.Fault!)),
        ];

    /// <summary>Nothing of a break; a drill; of a circuit each station by itself, in the order of going, over all the groups that came to it.</summary>
    private static IEnumerable<DrillResult> Of(ScoredRun run) =>
        run.Sheets.Any(sheet => sheet.Outcome.Card.Id == PauseCard.Id) ? []
        : run.Sheets.Any(sheet => sheet.Row.Station is not null)
            ? run
                .Sheets.Where(sheet => sheet.Row.Station is not null)
                .GroupBy(sheet => sheet.Row.Station)
                .OrderBy(station => station.Key)
                .Select(station => Of(run, [.. station.OrderBy(sheet => sheet.Row.Group)]))
        : [Of(run, run.Sheets)];

    private static DrillResult Of(ScoredRun run, IReadOnlyList<(SheetRow Row, ScoredSheet Outcome)> recorded)
    {
        var sheets = recorded
            .Select(sheet => new DrillSheet(
                NameOf(sheet.Row),
                sheet.Outcome.Head,
                sheet.Outcome.Units,
                sheet.Outcome.Begun,
                sheet.Outcome.Report
            )
            {
                Id = sheet.Row.Id,
            })
            .ToArray();
        var (card, stage) = (recorded[0].Outcome.Card, recorded[0].Outcome.Stage);
        return new DrillResult(
            run.Run.Id,
            card,
            stage,
            Array.Exists(sheets, sheet => sheet.Begun),
            DrillTable.Rank(stage, sheets),
            sheets,
            recorded[0].Row.Station,
            [.. recorded.SelectMany(sheet => sheet.Outcome.Jobs.Select(job => job with { Sheet = NameOf(sheet.Row) }))],
            StopsOf(run),
            HabitsOf(run),
            [.. run.Sheets.SelectMany(sheet => sheet.Outcome.Notes)],
            [.. run.Sheets.SelectMany(sheet => sheet.Outcome.PutRight)]
        );
    }

    /// <summary>A stop is said on every sheet that ran: the one that heard most of them tells of them all.</summary>
    private static IReadOnlyList<FreezeReport> StopsOf(ScoredRun run) =>
        run.Sheets.Select(sheet => sheet.Outcome.Report.Freezes).MaxBy(stops => stops.Sum(stop => stop.Count)) ?? [];

    /// <summary>What was seen while a drill was run, by habit and by player, whichever sheet it was said on.</summary>
    private static IReadOnlyList<SeenRow> HabitsOf(ScoredRun run) =>
        [
            .. run
                .Sheets.SelectMany(sheet =>
                    sheet.Outcome.Report.Habits.Select(seen => new SeenRow(
                        seen.Habit,
                        seen.Player is { } player ? sheet.Outcome.Head.NameOf(player) : null,
                        seen.Count
                    ))
                )
                .GroupBy(seen => (seen.Habit, seen.Player))
                .Select(seen => new SeenRow(seen.Key.Habit, seen.Key.Player, seen.Sum(each => each.Count))),
        ];

    private static string NameOf(SheetRow row) => row.Group is { } group ? Letters.Of(group) : row.Name;
}

/// <param name="Station">In a circuit, the station from 0; else null.</param>
/// <param name="Jobs">Where places move on: for how long each player had each job.</param>
/// <param name="Begun">Whether the drill was started at all.</param>
/// <param name="Habits">What was looked for all practice long and seen in the whole drill.</param>
/// <param name="Notes">What was written down in the whole drill.</param>
/// <param name="PutRight">Taps of the whole drill that were put right afterwards, a line each.</param>
/// <param name="Stops">The teaching stops of the whole drill; of a circuit, of all its stations.</param>
public sealed record DrillResult(
    int RunId,
    DrillCard Card,
    Stage Stage,
    bool Begun,
    IReadOnlyList<DrillRow> Rows,
    IReadOnlyList<DrillSheet> Sheets,
    int? Station,
    IReadOnlyList<JobRow> Jobs,
    IReadOnlyList<FreezeReport> Stops,
    IReadOnlyList<SeenRow> Habits,
    IReadOnlyList<NoteRow> Notes,
    IReadOnlyList<string> PutRight
)
{
    /// <summary>On one of its sheets more than one game was played.</summary>
    public bool IsSeries => Sheets.Any(sheet => sheet.IsSeries);

    /// <summary>The result that stands for its drill where there are several, as of a circuit.</summary>
    public bool IsFirst => Station is null or 0;

    /// <summary>What tells it from the other results of a practice.</summary>
    public string Key => Station is { } station ? $"{RunId}-{station}" : $"{RunId}";
}
