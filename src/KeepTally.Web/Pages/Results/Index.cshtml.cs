using System.Globalization;
using KeepTally.Store.Practices;
using KeepTally.Store.Seasons;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>The practices that were run, the latest first; searched by text, team and date, and the address keeps it.</summary>
public sealed class IndexModel(PracticeBook book, SquadBook squad, SeasonBook seasons) : PageModel
{
    private const int LongestText = 100;

    /// <summary>The value of the field that stands for all seasons.</summary>
    public const string AllSeasons = "all";

    public IReadOnlyList<BegunPractice> Practices { get; private set; } = [];

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    /// <summary>The closed seasons of all teams, the latest first.</summary>
    public IReadOnlyList<ClosedSeason> Seasons { get; private set; } = [];

    /// <summary>The season looked at: "all", the id of a closed one, or empty for the present one.</summary>
    public string Season { get; private set; } = "";

    public PracticeFilter Filter { get; private set; } = PracticeFilter.None;

    /// <param name="text">Part of a title or of a drill's name.</param>
    /// <param name="of">The id of a team.</param>
    /// <param name="from">Not before this day; what is no date is left out.</param>
    /// <param name="to">Not after this day; what is no date is left out.</param>
    /// <param name="season">"all", the id of a closed season, or the present one.</param>
    /// <param name="order">"oldest", or the latest first.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IActionResult> OnGetAsync(
        string? text,
        int? of,
        DateOnly? from,
        DateOnly? to,
        string? season,
        string? order,
        CancellationToken cancellationToken
    )
    {
        var closed = int.TryParse(season, NumberStyles.None, CultureInfo.InvariantCulture, out var id)
            ? await seasons.FindAsync(id, cancellationToken)
            : null;
        Season =
            closed is not null ? season!
            : season == AllSeasons ? AllSeasons
            : "";
        Filter = new PracticeFilter(
            text is { Length: > LongestText } ? text[..LongestText] : text ?? "",
            of,
            from,
            to,
            order == "oldest"
        )
        {
            Season = closed,
            PresentOnly = Season.Length == 0,
        };
        Seasons = await seasons.ClosedAsync(cancellationToken);
        Teams = await squad.TeamsAsync(cancellationToken);
        Practices = await book.BegunAsync(Filter, cancellationToken);
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Practices", this) : Page();
    }
}
