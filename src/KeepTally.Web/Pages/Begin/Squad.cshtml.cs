using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Begin;

/// <summary>The squad as plain names, pasted: the second of three steps to a first practice.</summary>
[Authorize(Policies.Head)]
public sealed class SquadModel(SquadBook squad) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    public required Team Shown { get; set; }

    public string Text { get; private set; } = "";

    public IReadOnlyList<SquadFault> Wrong { get; private set; } = [];

    public async Task OnGetAsync(CancellationToken cancellationToken) =>
        Shown = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);

    /// <summary>Takes the names; where one cannot be taken, none is, and the list stays to be fixed.</summary>
    public async Task<IActionResult> OnPostAsync(string? names, CancellationToken cancellationToken)
    {
        Text = names ?? "";
        Shown = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var read = SquadNames.Read(Text);
        Wrong = read is { Wrong.Count: 0, Rows.Count: 0 } ? [new SquadFault(1, "no name yet; write the first")] : read.Wrong;
        if (Wrong.Count > 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var known = await squad.ListAsync(Shown.Id, cancellationToken);
        await squad.TakeAsync(
            Shown.Id,
            [
                .. read.Rows.Where(row =>
                    !known.Exists(player => string.Equals(player.Name, row.Details.Name, StringComparison.OrdinalIgnoreCase))
                ),
            ],
            cancellationToken
        );
        return RedirectToPage("/Begin/Practice", new { team = Shown.Id });
    }
}
