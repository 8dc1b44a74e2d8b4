using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Sheets;
using KeepTally.Store.Practices;

namespace KeepTally.Store.Results;

/// <summary>The results of a practice: every drill's sheets folded from their events and ranked.</summary>
public sealed class PracticeResults(LiveRecord record)
{
    public async Task<IReadOnlyList<DrillResult>> OfAsync(int practiceId, CancellationToken stop = default) =>
        [.. (await record.OfAsync(practiceId, stop)).Select(Of)];

    private static DrillResult Of(RecordedRun recorded)
    {
        var sheets = recorded.Sheets.Select(sheet => (sheet.Row.Name, Live: sheet.Fold(recorded.Run.CardJson))).ToArray();
        var reports = sheets
            .Select(sheet => (sheet.Name, sheet.Live.Head.Units, Report: sheet.Live.ReportAt(sheet.Live.Log.LastAt)))
            .ToArray();
        var stage = sheets[0].Live.Stage;
        return new DrillResult(
            recorded.Run.Id,
            sheets[0].Live.Card,
            stage,
            sheets.Any(sheet => sheet.Live.Sheet.Clock.IsStarted),
            DrillTable.Rank(stage.Measures, reports),
            [.. reports.Select(report => new SheetResult(report.Name, report.Units, report.Report))]
        );
    }
}

/// <param name="Begun">Whether the drill was started at all.</param>
public sealed record DrillResult(
    int RunId,
    DrillCard Card,
    Stage Stage,
    bool Begun,
    IReadOnlyList<DrillRow> Rows,
    IReadOnlyList<SheetResult> Sheets
);

public sealed record SheetResult(string Name, IReadOnlyList<Unit> Units, SheetReport Report);
