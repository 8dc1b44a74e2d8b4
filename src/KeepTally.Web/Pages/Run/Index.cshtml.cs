using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Run;

/// <summary>The run screen: laid out once here; the values come from the core in the browser.</summary>
[ResponseCache(NoStore = true)]
public sealed class IndexModel(PracticeBook book, LiveRecord record) : PageModel
{
    public required Practice Practice { get; set; }

    public IReadOnlyList<DrillPad> Drills { get; private set; } = [];

    /// <summary>The practice for the core in the browser, as JSON.</summary>
    public string PracticeJson { get; private set; } = "";

    public long Origin { get; private set; }

    /// <summary>The last event that stands in <see cref="PracticeJson"/>; listening goes on from there.</summary>
    public long LastSequence { get; private set; }

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken stop)
    {
        if (await book.FindAsync(id, stop) is not { } practice)
        {
            return NotFound();
        }

        var runs = await record.OfAsync(id, stop);
        if (runs.Count == 0)
        {
            return RedirectToPage("/Index");
        }

        Practice = practice;
        Origin = runs[0].Run.Origin;
        LastSequence = PracticeText.LastSequence(runs);
        Drills = [.. runs.Select((run, index) => PadOf(practice, run, index))];
        PracticeJson = PracticeText.Of(practice, runs);
        return Page();
    }

    private static DrillPad PadOf(Practice practice, RecordedRun recorded, int index)
    {
        var block = practice.Blocks.First(each => each.Id == recorded.Run.BlockId);
        return DrillPad.Of(index, block.Title, block.Minutes, recorded.Fold());
    }
}
