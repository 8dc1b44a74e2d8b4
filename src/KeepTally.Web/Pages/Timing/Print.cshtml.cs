using KeepTally.Store.Planning;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>The sheet on one page, large, for a clipboard.</summary>
public sealed class PrintModel(PlanBook plans) : PageModel
{
    public required SheetViewModel Sheet { get; set; }

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await plans.OpenAsync(id, cancellationToken) is not { } open)
        {
            return NotFound();
        }

        Sheet = SheetViewModel.Of(open);
        return Page();
    }
}
