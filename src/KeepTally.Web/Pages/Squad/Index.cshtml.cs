using System.Text;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Squad;

/// <summary>The squad: list, add, change.</summary>
public sealed class IndexModel(SquadBook squad, PlayerErasure erasure) : PageModel
{
    public string Team { get; private set; } = "";

    public IReadOnlyList<Player> Players { get; private set; } = [];

    /// <summary>Those who left the squad.</summary>
    public IReadOnlyList<Player> Former { get; private set; } = [];

    /// <summary>Whether the player being changed has left the squad.</summary>
    public bool IsFormer => Former.Any(player => player.Id == Edit);

    [BindProperty]
    public PlayerForm Form { get; set; } = new();

    /// <summary>The player being changed, or null where one is being added.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Edit { get; set; }

    public async Task<IActionResult> OnGetAsync(CancellationToken stop)
    {
        if (Edit is { } id)
        {
            if (await squad.FindAsync(id, stop) is not { } player)
            {
                return NotFound();
            }

            Form = PlayerForm.Of(player);
        }

        await LoadAsync(stop);
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(CancellationToken stop)
    {
        if (!ModelState.IsValid)
        {
            await LoadAsync(stop);
            return Page();
        }

        if (Edit is { } id)
        {
            return await squad.ChangeAsync(id, Form.Details, stop) ? RedirectToPage(new { Edit = (int?)null }) : NotFound();
        }

        var team = await squad.FirstTeamAsync(stop);
        await squad.AddAsync(team.Id, Form.Details, stop);
        return RedirectToPage();
    }

    /// <summary>The squad as CSV.</summary>
    public async Task<IActionResult> OnGetCsvAsync(CancellationToken stop)
    {
        var team = await squad.FirstTeamAsync(stop);
        var csv = SquadCsv.Write(await squad.ListAsync(team.Id, stop));
        return File(Encoding.UTF8.GetBytes(csv), "text/csv; charset=utf-8", "squad.csv");
    }

    public async Task<IActionResult> OnPostArchiveAsync(int id, bool away, CancellationToken stop) =>
        await squad.ArchiveAsync(id, away, stop) ? RedirectToPage(new { Edit = (int?)null }) : NotFound();

    public async Task<IActionResult> OnPostEraseAsync(int id, CancellationToken stop) =>
        await erasure.EraseAsync(id, stop) ? RedirectToPage(new { Edit = (int?)null }) : NotFound();

    private async Task LoadAsync(CancellationToken stop)
    {
        var team = await squad.FirstTeamAsync(stop);
        Team = team.Name;
        Players = await squad.ListAsync(team.Id, stop);
        Former = await squad.FormerAsync(team.Id, stop);
    }
}
