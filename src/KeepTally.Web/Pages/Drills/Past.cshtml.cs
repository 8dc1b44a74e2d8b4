using KeepTally.Core.Judgement;
using KeepTally.Core.Measures;
using KeepTally.Store.Book;
using KeepTally.Store.People;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Drills;

/// <summary>The results of a team with a card from practice to practice, under equal rules only.</summary>
public sealed class PastModel(DrillBook book, PastBook past, SquadBook squad, PaceBook paces) : PageModel
{
    public required string CardId { get; set; }

    public required string Name { get; set; }

    public required Team Shown { get; set; }

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    /// <summary>One for each way it was scored, the latest first.</summary>
    public IReadOnlyList<DrillPast> Ways { get; private set; } = [];

    /// <summary>The reader's units and stride.</summary>
    public Pacing Pacing { get; private set; }

    /// <summary>The team looked at; the first where none is named.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    /// <summary>How often a go should be made at the least, of a hundred.</summary>
    [BindProperty(SupportsGet = true)]
    public int Low { get; set; } = 50;

    /// <summary>And at the most.</summary>
    [BindProperty(SupportsGet = true)]
    public int High { get; set; } = 80;

    /// <summary>The order of players: by name, or by the low end of the likely range.</summary>
    [BindProperty(SupportsGet = true)]
    public string By { get; set; } = "name";

    public SuccessBand Band =>
        Low >= 0 && Low < High && High <= 100 ? new SuccessBand(Low / 100.0, High / 100.0) : SuccessBand.Usual;

    public async Task<IActionResult> OnGetAsync(string id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, null, cancellationToken) is not { } page)
        {
            return NotFound();
        }

        (CardId, Name) = (page.Row.Id, page.Card.Name);
        Teams = await squad.TeamsAsync(cancellationToken);
        Shown =
            Teams.FirstOrDefault(team => team.Id == HttpContext.ChosenTeam(Team))
            ?? (Teams.Count > 0 ? Teams[0] : null)
            ?? await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        (Pacing, _) = await paces.OfAsync(HttpContext.Caller()!, cancellationToken);
        Ways = DrillPast.Of(await past.OfTeamAsync(Shown.Id, CardId, null, cancellationToken));
        return Page();
    }

    /// <summary>The usual figures of this squad and the notes, as a part of the card's page.</summary>
    public async Task<IActionResult> OnGetBeforeAsync(string id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, null, cancellationToken) is not { } page)
        {
            return NotFound();
        }

        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var sheets = await past.OfTeamAsync(team.Id, page.Row.Id, null, cancellationToken);
        return Partial("_Before", (team.Name, DrillBefore.Of(sheets)));
    }

    /// <summary>The players in the order asked for: who is surely good first, or by name.</summary>
    public IEnumerable<PlayerPast> Ordered(DrillPast way) =>
        By == "sure" ? way.Players.OrderByDescending(player => player.All.Bounds.Low) : way.Players;
}
