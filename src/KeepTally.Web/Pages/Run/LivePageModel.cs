using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Run;

/// <summary>A page on which the core in the browser opens a practice that has begun; who comes too early is sent to Today.</summary>
[ResponseCache(NoStore = true)]
public abstract class LivePageModel(PracticeBook book, LiveRecord record) : PageModel
{
    public required Practice Practice { get; set; }

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
        PracticeJson = PracticeText.Of(practice, runs);
        LayOut(runs);
        return Page();
    }

    /// <summary>What the page lays out from the runs besides.</summary>
    protected virtual void LayOut(IReadOnlyList<RecordedRun> runs) { }
}
