using KeepTally.Core.Judgement;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Players;

/// <summary>What one player did, of that player alone: a page that may be given to the player and those at home.</summary>
public sealed class IndexModel(SquadBook squad, PastBook past, TimeProvider clock) : PageModel
{
    /// <summary>So far back it looks.</summary>
    private const int Weeks = 52;

    public required Player Player { get; set; }

    public required string TeamName { get; set; }

    public required PlayerRecord Record { get; set; }

    public DateOnly Today { get; private set; }

    public SuccessBand Band => SuccessBand.Usual;

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await squad.FindAsync(id, cancellationToken) is not { } player)
        {
            return NotFound();
        }

        (Player, TeamName) = (player, (await squad.TeamAsync(player.TeamId, cancellationToken)).Name);
        Today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        Record = PlayerRecord.Of(
            player.UnitId,
            await past.OfTeamAsync(player.TeamId, null, Today.AddDays(-7 * Weeks), cancellationToken)
        );
        return Page();
    }

    /// <summary>What was counted of a kind in the seven days up to a day, that day too.</summary>
    public int InWeekTo(DateOnly day, string kind) =>
        Record.Loads.Where(load => load.Kind == kind && load.Date <= day && load.Date > day.AddDays(-7)).Sum(load => load.Count);
}
