using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Sheets;
using KeepTally.Core.Words;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Results;

/// <summary>The results of a practice: every drill's sheets folded from their events and ranked.</summary>
public sealed class PracticeResults(LiveRecord record)
{
    public async Task<IReadOnlyList<DrillResult>> OfAsync(int practiceId, CancellationToken stop = default) =>
        [.. (await record.OfAsync(practiceId, stop)).SelectMany(Of)];

    /// <summary>A drill; of a circuit each station by itself, in the order of going, over all the groups that came to it.</summary>
    private static IEnumerable<DrillResult> Of(RecordedRun recorded) =>
        recorded.Sheets.Any(sheet => sheet.Row.Station is not null)
            ? recorded
                .Sheets.Where(sheet => sheet.Row.Station is not null)
                .GroupBy(sheet => sheet.Row.Station)
                .OrderBy(station => station.Key)
                .Select(station => Of(recorded.Run, [.. station.OrderBy(sheet => sheet.Row.Group)]))
            : [Of(recorded.Run, recorded.Sheets)];

    private static IEnumerable<GoesRow> GoesOn(string sheet, LiveSheet live) =>
        live.Floor.Stood.Select(player => new GoesRow(sheet, live.Head.NameOf(player), live.Floor.GoesOf(player)));

    private static DrillResult Of(Run run, IReadOnlyList<RecordedSheet> recorded)
    {
        var sheets = recorded
            .Select(sheet =>
                (Name: sheet.Row.Group is { } group ? Letters.Of(group) : sheet.Row.Name, Live: sheet.Fold(run.CardJson))
            )
            .ToArray();
        var reports = sheets
            .Select(sheet => (sheet.Name, sheet.Live.Units, Report: sheet.Live.ReportAt(sheet.Live.Log.LastAt)))
            .ToArray();
        var stage = sheets[0].Live.Stage;
        return new DrillResult(
            run.Id,
            sheets[0].Live.Card,
            stage,
            sheets.Any(sheet => sheet.Live.Sheet.Clock.IsStarted),
            DrillTable.Rank(stage.Measures, reports),
            [.. reports.Select(report => new SheetResult(report.Name, report.Units, report.Report))],
            recorded[0].Row.Station,
            stage.Moves.Count == 0 ? [] : [.. sheets.SelectMany(sheet => GoesOn(sheet.Name, sheet.Live))]
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

public sealed record SheetResult(string Name, IReadOnlyList<Unit> Units, SheetReport Report);

/// <summary>How often a player had each job of a drill.</summary>
/// <param name="Sheet">The name of the group or court; empty where there was only one.</param>
public sealed record GoesRow(string Sheet, string Player, IReadOnlyDictionary<string, int> Goes);
