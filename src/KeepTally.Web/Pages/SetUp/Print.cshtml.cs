using KeepTally.Store.Book;
using KeepTally.Store.People;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.SetUp;

/// <summary>The set-up of a drill on a card of A5, for the clipboard or the wall.</summary>
public sealed class PrintModel(DrillBook book, PaceBook paces) : PageModel
{
    public required SetUpViewModel SetUp { get; set; }

    public string Id { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync(string id, int? way, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, null, cancellationToken) is not { Card.Layout: not null } page)
        {
            return NotFound();
        }

        var (pacing, _) = await paces.OfAsync(HttpContext.Caller()!, cancellationToken);
        (Id, SetUp) = (page.Row.Id, SetUpViewModel.Of(page.Card, way, "card", pacing));
        return Page();
    }
}
