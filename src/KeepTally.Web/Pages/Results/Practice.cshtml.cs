using System.Globalization;
using System.Text;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>The results of one practice, drill by drill; as CSV too.</summary>
public sealed class PracticeModel(PracticeBook book, PracticeResults results) : PageModel
{
    public required Practice Practice { get; set; }

    public IReadOnlyList<DrillResult> Drills { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        Practice = practice;
        Drills = await results.OfAsync(id, cancellationToken);
        return Page();
    }

    public async Task<IActionResult> OnGetCsvAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        var csv = ResultsCsv.Write(practice.Date, await results.OfAsync(id, cancellationToken));
        var name = string.Create(CultureInfo.InvariantCulture, $"results-{practice.Date:yyyy-MM-dd}.csv");
        return File(Encoding.UTF8.GetBytes(csv), "text/csv; charset=utf-8", name);
    }

    /// <summary>The columns of a drill's table: what ranks it first, then points and makes where they say more.</summary>
    public static IReadOnlyList<MeasureBy> Columns(DrillResult drill)
    {
        var columns = drill.Stage.Measures.Select(measure => measure.By).ToList();
        if (!columns.Contains(MeasureBy.Points) && drill.Stage.Ladder is null)
        {
            columns.Add(MeasureBy.Points);
        }

        return columns;
    }

    public static string Heading(MeasureBy by) =>
        by switch
        {
            MeasureBy.Points => "Points",
            MeasureBy.Successes => "Makes",
            MeasureBy.Attempts => "Goes",
            MeasureBy.Accuracy => "Share made",
            MeasureBy.BestStreak => "Best run",
            MeasureBy.Cleared => "Cleared",
            MeasureBy.Seconds => "Time",
            MeasureBy.Outs => "Outs",
            MeasureBy.Place => "Place",
            MeasureBy.ReadingBest => "Best",
            MeasureBy.ReadingMean => "Mean",
            MeasureBy.Late => "Late",
            MeasureBy.Voids => "Void",
        };

    public static string Figure(UnitReport unit, MeasureBy by) =>
        (by, unit.Value(by)) switch
        {
            (_, null) => "–",
            (MeasureBy.Seconds, { } seconds) => string.Create(
                CultureInfo.InvariantCulture,
                $"{(int)seconds / 60}:{(int)seconds % 60:00}"
            ),
            (MeasureBy.Accuracy, { } share) => share.ToString("0 %", CultureInfo.InvariantCulture),
            (_, { } value) => value.ToString("0.##", CultureInfo.InvariantCulture),
        };

    /// <summary>Counts small enough to be drawn as strokes.</summary>
    public static bool IsCount(MeasureBy by, UnitReport unit) =>
        by is MeasureBy.Points or MeasureBy.Successes or MeasureBy.Cleared or MeasureBy.BestStreak
        && unit.Value(by) is > 0 and <= 30;

    /// <summary>Who won, in words; empty where nobody is alone in front.</summary>
    public static string First(DrillResult drill)
    {
        var first = drill.Rows.Where(row => row.Rank == 1).ToArray();
        return first.Length == 1 && drill.Rows.Count > 1 ? $"{first[0].Unit.Name} first" : "";
    }
}
