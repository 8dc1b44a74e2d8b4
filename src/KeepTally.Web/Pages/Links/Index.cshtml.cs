using KeepTally.Core.Faults;
using KeepTally.Store.Planning;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Links;

/// <summary>
/// A card or a plan that came as a link. What it is, is in the part of the address that no server sees: the page shows it by its own
/// core, without a network too, to anyone; a head coach can keep it.
/// </summary>
[AllowAnonymous]
public sealed class IndexModel(LinkBook links, SquadBook squad) : PageModel
{
    public IReadOnlyList<Team> Teams { get; private set; } = [];

    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    /// <summary>Whether the reader can keep what is shown.</summary>
    public bool MayKeep => HttpContext.Caller() is { IsHead: true };

    public async Task OnGetAsync(CancellationToken cancellationToken) =>
        Teams = MayKeep ? await squad.TeamsAsync(cancellationToken) : [];

    /// <summary>Keeps what the link carries.</summary>
    /// <param name="team">The team that a plan is for.</param>
    /// <param name="content">The content of the link.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    [ForHead]
    public async Task<IActionResult> OnPostAsync(int team, string? content, CancellationToken cancellationToken)
    {
        if (!MayKeep)
        {
            return Forbid();
        }

        var kept = await links.KeepAsync(team, content ?? "", cancellationToken);
        if (kept.IsOk)
        {
            return kept.Value.Practice is { } practice
                ? RedirectToPage("/Timing/Sheet", new { id = practice })
                : RedirectToPage("/Drills/Card", new { id = kept.Value.Card });
        }

        await OnGetAsync(cancellationToken);
        Faults = kept.Faults;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
