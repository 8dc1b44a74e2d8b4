using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Rules.Measures;
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

    /// <summary>A drill; of a circuit each station by itself, in the order of going, over all the groups that came to it.</summary>
    private static IEnumerable<DrillResult> Of(ScoredRun run) =>
        run.Sheets.Any(sheet => sheet.Row.Station is not null)
            ? run
                .Sheets.Where(sheet => sheet.Row.Station is not null)
                .GroupBy(sheet => sheet.Row.Station)
                .OrderBy(station => station.Key)
                .Select(station => Of(run.Run, [.. station.OrderBy(sheet => sheet.Row.Group)]))
            : [Of(run.Run, run.Sheets)];

    private static DrillResult Of(Run run, IReadOnlyList<(SheetRow Row, ScoredSheet Outcome)> recorded)
    {
        var sheets = recorded
            .Select(sheet => (Name: sheet.Row.Group is { } group ? Letters.Of(group) : sheet.Row.Name, sheet.Outcome))
            .ToArray();
        var (card, stage) = (sheets[0].Outcome.Card, sheets[0].Outcome.Stage);
        return new DrillResult(
            run.Id,
            card,
            stage,
            Array.Exists(sheets, sheet => sheet.Outcome.Begun),
            DrillTable.Rank(stage.Measures, [.. sheets.Select(sheet => (sheet.Name, sheet.Outcome.Units, sheet.Outcome.Report))]),
            [.. sheets.Select(sheet => new SheetResult(sheet.Name, sheet.Outcome.Units, sheet.Outcome.Report))],
            recorded[0].Row.Station,
            [.. sheets.SelectMany(sheet => sheet.Outcome.Goes.Select(goes => goes with { Sheet = sheet.Name }))]
        );
    }
}

/// <param name="Station">In a circuit, the station from 0; else null.</param>
/// <param name="Goes">Where places move on: how often each player had each job.</param>
/// <param name="Begun">Whether the drill was started at all.</param>
public sealed record DrillResult(
    int RunId,
    DrillCard Card,
    Stage Stage,
    bool Begun,
    IReadOnlyList<DrillRow> Rows,
    IReadOnlyList<SheetResult> Sheets,
    int? Station,
    IReadOnlyList<GoesRow> Goes
)
{
    /// <summary>What tells it from the other results of a practice.</summary>
    public string Key => Station is { } station ? $"{RunId}-{station}" : $"{RunId}";
}

public sealed record SheetResult(string Name, IReadOnlyList<Unit> Units, ScoreReport Report);
