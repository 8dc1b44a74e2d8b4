using System.Globalization;
using System.Text;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Text;
using KeepTally.Store.Files;
using KeepTally.Store.Results;
using KeepTally.Store.Seasons;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Squad;

/// <summary>A season of a squad: results by player and drill, attendance, its files, and how it is closed.</summary>
public sealed class SeasonModel(
    SeasonBook seasons,
    PastBook past,
    SquadBook squad,
    SeasonExport export,
    OneAtATime work,
    AuditTrail trail,
    TimeProvider clock
) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    /// <summary>The id of a closed season; the present one where it is left out.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Season { get; set; }

    /// <summary>The column the table is sorted by: a drill's number from 1 on; by the squad's own order where it is left out.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Sort { get; set; }

    /// <summary>Sorted with the lowest share first.</summary>
    [BindProperty(SupportsGet = true)]
    public bool Low { get; set; }

    public required Team Shown { get; set; }

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    public IReadOnlyList<Season> Seasons { get; private set; } = [];

    public required Season Chosen { get; set; }

    public required SquadTable Table { get; set; }

    /// <summary>The number of each player in the database, for the links.</summary>
    public IReadOnlyDictionary<PlayerId, int> Numbers { get; private set; } = new Dictionary<PlayerId, int>();

    public required SquadAttendance Attendance { get; set; }

    /// <summary>What is wrong with the season that was to be closed, or null.</summary>
    public string? Hindrance { get; private set; }

    public string NewName { get; private set; } = "";

    public DateOnly NewLastDay { get; private set; }

    /// <summary>What the season was so far, in a sentence.</summary>
    public string Said
    {
        get
        {
            var held = Attendance.Practices;
            if (held.Count == 0)
            {
                return Chosen.Id is null ? "No practice of this season has been run yet." : "No practice was run in this season.";
            }

            var days =
                held[0].Date == held[^1].Date ? $"on {Day(held[0].Date)}" : $"from {Day(held[0].Date)} to {Day(held[^1].Date)}";
            var there = Attendance.Average is { } average
                ? $", with {average.ToString("0.#", CultureInfo.InvariantCulture)} of the squad's {Attendance.Players.Count} {Phrase.Plural(Attendance.Players.Count, "player")} there on average"
                : "";
            return $"{held.Count} {Phrase.Plural(held.Count, "practice")} {days}{there}.";
        }
    }

    public async Task<IActionResult> OnGetAsync(CancellationToken cancellationToken)
    {
        NewLastDay = Today;
        NewName = $"{Today.AddMonths(-6):yyyy}/{Today.AddMonths(6):yy}";
        return await ShowAsync(cancellationToken) ? Page() : NotFound();
    }

    /// <summary>A season as a spreadsheet: players, results, attendance, loads, taps.</summary>
    [ForHead]
    public async Task<IActionResult> OnGetFileAsync(CancellationToken cancellationToken)
    {
        if (await OpenAsync(cancellationToken) is not { } season)
        {
            return NotFound();
        }

        using var turn = await work.EnterAsync(cancellationToken);
        var file = SheetTable.Workbook(await export.AllAsync(season, cancellationToken));
        return File(file, SheetTable.WorkbookType, NameOf(season, "xlsx"));
    }

    /// <summary>The results of a season as CSV.</summary>
    [ForHead]
    public async Task<IActionResult> OnGetCsvAsync(CancellationToken cancellationToken)
    {
        if (await OpenAsync(cancellationToken) is not { } season)
        {
            return NotFound();
        }

        using var turn = await work.EnterAsync(cancellationToken);
        var csv = ResultsCsv.Write(await export.ResultsAsync(season, cancellationToken));
        return File(Encoding.UTF8.GetBytes(csv), "text/csv; charset=utf-8", NameOf(season, "csv"));
    }

    /// <summary>Closes the present season.</summary>
    /// <param name="name">What it is called from now on.</param>
    /// <param name="lastDay">The last day that belongs to it.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    [ForHead]
    public async Task<IActionResult> OnPostCloseAsync(
        [BindRequired] string? name,
        DateOnly? lastDay,
        CancellationToken cancellationToken
    )
    {
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var closed = lastDay is { } day
            ? await seasons.CloseAsync(team.Id, name ?? "", day, cancellationToken)
            : Result.Fail<Season>(new Fault("last day", "that is no day", "choose the last day of the season"));
        if (!closed.IsOk)
        {
            (Hindrance, NewName, NewLastDay) = (closed.Faults[0].Told, name ?? "", lastDay ?? Today);
            ModelState.Clear();
            Season = null;
            return await ShowAsync(cancellationToken) ? Page() : NotFound();
        }

        await trail.AddAsync(AuditAct.Correction, $"Closed the season {closed.Value.Name} of {team.Name}", cancellationToken);
        return RedirectToPage(new { Team = team.Id, Season = closed.Value.Id });
    }

    /// <summary>Opens a closed season again.</summary>
    [ForHead]
    public async Task<IActionResult> OnPostReopenAsync(CancellationToken cancellationToken)
    {
        if (Season is not { } id || await seasons.FindAsync(id, cancellationToken) is not { } season)
        {
            return NotFound();
        }

        await seasons.ReopenAsync(id, cancellationToken);
        await trail.AddAsync(AuditAct.Correction, $"Reopened the season {season.Name}", cancellationToken);
        return RedirectToPage(new { Team = season.Team, Season = (int?)null });
    }

    /// <summary>How a column's heading sorts it: by itself from the highest, then from the lowest.</summary>
    public bool IsLowNext(int column) => Sort == column && !Low;

    public static string Day(DateOnly day) => day.ToString("d MMM yyyy", CultureInfo.InvariantCulture);

    private DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    private async Task<bool> ShowAsync(CancellationToken cancellationToken)
    {
        Teams = await squad.TeamsAsync(cancellationToken);
        if (await ChosenAsync(cancellationToken) is not { } chosen)
        {
            return false;
        }

        (Chosen, Shown, Team) = (chosen, await squad.TeamAsync(chosen.Team, cancellationToken), chosen.Team);
        Seasons = await seasons.ListAsync(chosen.Team, cancellationToken);
        Player[] players = [.. (await squad.ListAsync(chosen.Team, cancellationToken)).Where(player => !player.Archived)];
        Numbers = players.ToDictionary(player => player.UnitId, player => player.Id);
        var sheets = await past.OfSeasonAsync(chosen, cancellationToken);
        Attendance = SquadAttendance.Of(await export.PracticesAsync(chosen, cancellationToken), players, sheets);
        var table = SquadTable.Of(sheets, [.. players.Select(player => (player.UnitId, player.Name))]);
        Table = Sort is { } column && column >= 1 && column <= table.Drills.Count ? table.By(column - 1, Low) : table;
        return true;
    }

    private async Task<Season?> OpenAsync(CancellationToken cancellationToken)
    {
        if (await ChosenAsync(cancellationToken) is not { } season)
        {
            return null;
        }

        var team = await squad.TeamAsync(season.Team, cancellationToken);
        await trail.AddAsync(AuditAct.Export, $"The season of {team.Name}", cancellationToken);
        return season;
    }

    private async Task<Season?> ChosenAsync(CancellationToken cancellationToken) =>
        Season is { } id
            ? await seasons.FindAsync(id, cancellationToken)
            : (
                await seasons.ListAsync(
                    (await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken)).Id,
                    cancellationToken
                )
            )[0];

    private string NameOf(Season season, string kind) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"season-{(season.First is { } first ? $"from-{first:yyyy-MM-dd}-" : "")}to-{season.Last ?? Today:yyyy-MM-dd}.{kind}"
        );
}
