using System.Globalization;
using System.Text;
using KeepTally.Core.Archive;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Core.Words;
using KeepTally.Store.Files;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Api;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>The results of one practice, drill by drill; as CSV too.</summary>
public sealed class PracticeModel(
    PracticeBook book,
    PracticeResults results,
    PracticeExport export,
    SquadBook squads,
    PracticeRemoval removal,
    AppendGuards guards,
    AuditTrail trail
) : PageModel
{
    public required Practice Practice { get; set; }

    /// <summary>The report of the practice.</summary>
    public required PracticeReport Report { get; set; }

    /// <summary>The bests of earlier practices, by sheet.</summary>
    public IReadOnlyDictionary<string, PastBests> Bests { get; private set; } = new Dictionary<string, PastBests>();

    /// <summary>Drills whose card no longer reads, with what is wrong.</summary>
    public IReadOnlyList<(string Drill, Fault Fault)> Unreadable { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        Practice = practice;
        Report = await results.ReportAsync(practice, cancellationToken);
        Bests = await results.BestsBeforeAsync(practice, cancellationToken);
        Unreadable =
        [
            .. (await results.UnreadableAsync(id, cancellationToken)).Select(each =>
                (practice.Blocks.First(block => block.Id == each.Block).Title, each.Fault)
            ),
        ];
        Entries = await removal.EventsAsync(id, cancellationToken);
        return Page();
    }

    /// <summary>How many taps and other entries go when the practice is removed.</summary>
    public int Entries { get; private set; }

    /// <summary>Removes a practice that was only a try.</summary>
    public async Task<IActionResult> OnPostRemoveAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        foreach (var sheet in await removal.RemoveAsync(id, cancellationToken))
        {
            // A phone that still runs it is told so, and not held against rules kept in memory.
            guards.Forget(new SheetId(sheet));
        }

        await trail.AddAsync(AuditAct.Removal, $"{practice.InRecord} with its results", cancellationToken);
        return RedirectToPage("/Results/Index");
    }

    public async Task<IActionResult> OnGetCsvAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        var csv = ResultsCsv.Write(
            practice.Date,
            await results.OfAsync(id, cancellationToken),
            await squads.NumbersAsync(practice.TeamId, cancellationToken)
        );
        await trail.AddAsync(AuditAct.Export, $"The results of {practice.InRecord}", cancellationToken);
        var name = string.Create(CultureInfo.InvariantCulture, $"results-{practice.Date:yyyy-MM-dd}.csv");
        return File(Encoding.UTF8.GetBytes(csv), "text/csv; charset=utf-8", name);
    }

    /// <summary>The results and every tap as a spreadsheet.</summary>
    public async Task<IActionResult> OnGetWorkbookAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        var archive = await export.OfAsync(practice, cancellationToken);
        var file = SheetTable.Workbook([
            ResultsTable.Of(
                [(practice.Date, await results.OfAsync(id, cancellationToken))],
                await squads.NumbersAsync(practice.TeamId, cancellationToken)
            ),
            TapTable.Of(archive is null ? [] : [archive]),
        ]);
        await trail.AddAsync(AuditAct.Export, $"The results of {practice.InRecord}", cancellationToken);
        return File(
            file,
            SheetTable.WorkbookType,
            string.Create(CultureInfo.InvariantCulture, $"results-{practice.Date:yyyy-MM-dd}.xlsx")
        );
    }

    /// <summary>The whole practice with its cards and logs, as <c>keep-tally/practice@1</c>.</summary>
    public async Task<IActionResult> OnGetJsonAsync(int id, CancellationToken cancellationToken)
    {
        if (
            await book.FindAsync(id, cancellationToken) is not { } practice
            || await export.OfAsync(practice, cancellationToken) is not { } archive
        )
        {
            return NotFound();
        }

        await trail.AddAsync(AuditAct.Export, $"{practice.InRecord} with its logs", cancellationToken);
        var name = string.Create(CultureInfo.InvariantCulture, $"practice-{practice.Date:yyyy-MM-dd}.json");
        return File(Encoding.UTF8.GetBytes(ArchiveWriter.Write(archive)), "application/json", name);
    }

    /// <summary>Compares a line with the par and the bests before this practice: "par met, new best"; empty where neither says anything.</summary>
    public static string Marks(DrillResult drill, DrillRow row, IReadOnlyDictionary<string, PastBests> bests)
    {
        string[] marks =
        [
            row.Played ? ParWords.Of(drill.Stage, row.Report) : "",
            row.Played && bests.GetValueOrDefault(row.Sheet.Id) is { Squad: not null } before
                ? before.Judge(drill.Stage, row.Report with { Done = true }) switch
                {
                    BestKind.Squad => BestWords.Squad,
                    BestKind.Own => "personal best",
                    _ => "",
                }
                : "",
        ];
        return string.Join(", ", marks.Where(mark => mark.Length > 0));
    }

    /// <summary>The columns of a drill's table: what ranks it first, then points and makes where they say more.</summary>
    public static IReadOnlyList<MeasureKind> Columns(DrillResult drill)
    {
        var columns = drill.Stage.Measures.Select(measure => measure.By).ToList();
        if (!columns.Contains(MeasureKinds.Points) && drill.Stage.Ladder is null)
        {
            columns.Add(MeasureKinds.Points);
        }

        if (!columns.Contains(MeasureKinds.OwnCount) && drill.Rows.Any(row => row.Report.OwnCount is not null))
        {
            columns.Add(MeasureKinds.OwnCount);
        }

        return columns;
    }

    /// <summary>The best three of a drill with what ranks them, where that is a count that can be drawn; in a match both sides.</summary>
    public static IReadOnlyList<(string Name, int Count)> Leaders(DrillResult drill)
    {
        var by = drill.Stage.Measures[0].By;
        return drill.Begun && by.IsCount && drill.Rows.Any(row => IsCount(by, row.Report))
            ?
            [
                .. drill
                    .Rows.Where(row => row.Rank is not null && row.Report.Value(by) is >= 0 and <= 30)
                    .Take(3)
                    .Select(row =>
                        (
                            CallNames.Of(row.Sheet.Head.Everyone).GetValueOrDefault(row.Unit.Id, row.Unit.Name),
                            (int)row.Report.Value(by)!
                        )
                    ),
            ]
            : [];
    }

    /// <summary>The points of each half, "3 + 2"; a dash where the second was not reached.</summary>
    public static string ByHalf(UnitReport unit) =>
        unit.FirstHalf is { } first ? $"{Phrase.Figure(first)} + {Phrase.Figure(unit.Points - first)}" : "–";

    /// <summary>The value of a unit as it stands in the table.</summary>
    public static string Figure(UnitReport unit, MeasureKind by) => unit.Value(by) is { } value ? by.Figure(value) : "–";

    /// <summary>Counts small enough to be drawn as strokes.</summary>
    public static bool IsCount(MeasureKind by, UnitReport unit) => by.IsCount && unit.Value(by) is > 0 and <= 30;
}
