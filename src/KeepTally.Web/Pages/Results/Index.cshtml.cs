using System.Globalization;
using System.Text;
using KeepTally.Store.Files;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>The practices that were run, the latest first; searched by text, team and date, and the address keeps it.</summary>
public sealed class IndexModel(
    PracticeBook book,
    SquadBook squad,
    SeasonExport season,
    OneAtATime work,
    AuditTrail trail,
    TimeProvider clock
) : PageModel
{
    private const int LongestText = 100;

    public IReadOnlyList<BegunPractice> Practices { get; private set; } = [];

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    public PracticeFilter Filter { get; private set; } = PracticeFilter.None;

    /// <param name="text">Part of a title or of a drill's name.</param>
    /// <param name="of">The id of a team.</param>
    /// <param name="from">Not before this day; what is no date is left out.</param>
    /// <param name="to">Not after this day; what is no date is left out.</param>
    /// <param name="order">"oldest", or the latest first.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IActionResult> OnGetAsync(
        string? text,
        int? of,
        DateOnly? from,
        DateOnly? to,
        string? order,
        CancellationToken cancellationToken
    )
    {
        Filter = new PracticeFilter(
            text is { Length: > LongestText } ? text[..LongestText] : text ?? "",
            of,
            from,
            to,
            order == "oldest"
        );
        Teams = await squad.TeamsAsync(cancellationToken);
        Practices = await book.BegunAsync(Filter, cancellationToken);
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Practices", this) : Page();
    }

    /// <summary>The last year of a team as a spreadsheet: players, results, attendance, loads, taps.</summary>
    /// <param name="of">The id of the team; the first where none is named.</param>
    /// <param name="from">Not before this day; a year back where it is left out.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    [ForHead]
    public async Task<IActionResult> OnGetSeasonAsync(int? of, DateOnly? from, CancellationToken cancellationToken)
    {
        var (team, since) = await SeasonOfAsync(of, from, cancellationToken);
        using var turn = await work.EnterAsync(cancellationToken);
        var file = SheetTable.Workbook(await season.AllAsync(team.Id, since, cancellationToken));
        return File(file, SheetTable.WorkbookType, NameOf(since, "xlsx"));
    }

    /// <summary>The results of a team's last year as CSV.</summary>
    /// <param name="of">The id of the team; the first where none is named.</param>
    /// <param name="from">Not before this day; a year back where it is left out.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    [ForHead]
    public async Task<IActionResult> OnGetSeasonCsvAsync(int? of, DateOnly? from, CancellationToken cancellationToken)
    {
        var (team, since) = await SeasonOfAsync(of, from, cancellationToken);
        using var turn = await work.EnterAsync(cancellationToken);
        var csv = ResultsCsv.Write(await season.ResultsAsync(team.Id, since, cancellationToken));
        return File(Encoding.UTF8.GetBytes(csv), "text/csv; charset=utf-8", NameOf(since, "csv"));
    }

    private async Task<(Team Team, DateOnly Since)> SeasonOfAsync(int? of, DateOnly? from, CancellationToken cancellationToken)
    {
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(of), cancellationToken);
        await trail.AddAsync(AuditAct.Export, $"The season of {team.Name}", cancellationToken);
        return (team, from ?? DateOnly.FromDateTime(clock.GetLocalNow().DateTime).AddYears(-1));
    }

    private static string NameOf(DateOnly since, string kind) =>
        string.Create(CultureInfo.InvariantCulture, $"season-since-{since:yyyy-MM-dd}.{kind}");
}
