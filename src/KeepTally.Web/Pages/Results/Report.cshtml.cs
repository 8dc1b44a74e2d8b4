using KeepTally.Core.Reports;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>The report of a practice on one page, to print or to send.</summary>
public sealed class ReportModel(PracticeBook book, PracticeResults results) : PageModel
{
    public required Practice Practice { get; set; }

    public required PracticeReport Report { get; set; }

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        Practice = practice;
        Report = await results.ReportAsync(practice, cancellationToken);
        return Page();
    }
}
