using KeepTally.Store.Practices;
using KeepTally.Store.Seasons;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Pages.Shared;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>The practices that were run, the latest first; searched by text, team, date and season, and the address keeps it.</summary>
public sealed class IndexModel(PracticeBook book, SquadBook squad, SeasonBook seasons) : PageModel
{
    public IReadOnlyList<BegunPractice> Practices { get; private set; } = [];

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    /// <summary>The closed seasons of all teams, the latest first.</summary>
    public IReadOnlyList<ClosedSeason> Seasons { get; private set; } = [];

    public PracticeSearch Search { get; private set; } = new();

    public PracticeFilter Filter { get; private set; } = PracticeFilter.None;

    /// <param name="search">What is searched for.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IActionResult> OnGetAsync([FromQuery] PracticeSearch search, CancellationToken cancellationToken)
    {
        (Search, Filter) = (search, await search.FilterAsync(seasons, cancellationToken));
        Teams = await squad.TeamsAsync(cancellationToken);
        Seasons = await seasons.ClosedAsync(cancellationToken);
        Practices = await book.BegunAsync(Filter, cancellationToken);
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Practices", this) : Page();
    }
}
