using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Pages.Run;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Board;

/// <summary>The board the players see: the clock, who is where, and who goes where next. It says nothing itself.</summary>
[ResponseCache(NoStore = true)]
public sealed class IndexModel(PracticeBook book, LiveRecord record) : PageModel
{
    public required Practice Practice { get; set; }

    /// <summary>The practice for the core in the browser, as JSON.</summary>
    public string PracticeJson { get; private set; } = "";

    public long Origin { get; private set; }

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
        return Page();
    }
}
