using KeepTally.Store.People;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Entry;

/// <summary>The link to the board of one practice: shows it and nothing else. Who can see it anyway stays who they are.</summary>
[AllowAnonymous]
public sealed class WatchModel(DoorBook doors) : PageModel
{
    public async Task<IActionResult> OnGetAsync(string token, CancellationToken cancellationToken)
    {
        if (await doors.BoardAsync(token, cancellationToken) is not { Practice: { } practice } board)
        {
            return NotFound();
        }

        if (HttpContext.Caller()?.Sees(board.Teams[0], practice) != true)
        {
            await HttpContext.LetInAsync(board, stays: true);
        }

        return RedirectToPage("/Board/Index", new { id = practice });
    }
}
