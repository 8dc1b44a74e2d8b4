using KeepTally.Core.Reports;
using KeepTally.Store.Book;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Squad;

/// <summary>The coverage of the squad and of each player over some weeks, with totals.</summary>
public sealed class CoverageModel(PastBook past, SquadBook squad, DrillBook book, TimeProvider clock) : PageModel
{
    private const int MostWeeks = 26;

    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    [BindProperty(SupportsGet = true)]
    public int Weeks { get; set; } = 8;

    public required Team Shown { get; set; }

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    public required SquadCoverage Coverage { get; set; }

    /// <summary>The totals of all players in the last seven days.</summary>
    public IReadOnlyList<PlayerTotal> Week { get; private set; } = [];

    /// <summary>And in all the weeks looked at.</summary>
    public IReadOnlyList<PlayerTotal> All { get; private set; } = [];

    /// <summary>The most minutes of a skill in any week.</summary>
    public int MostInWeek => Coverage.Skills.SelectMany(row => row.Minutes).DefaultIfEmpty().Max();

    /// <summary>The most practices of a skill that any player had.</summary>
    public int MostOfPlayer => Coverage.Players.SelectMany(player => player.Practices).DefaultIfEmpty().Max();

    /// <summary>How full a cell is drawn, from 0 for none to 4 for the most.</summary>
    public static int HeatOf(int count, int most) => most == 0 ? 0 : (int)Math.Ceiling(4.0 * count / most);

    public async Task OnGetAsync(CancellationToken cancellationToken)
    {
        Weeks = Math.Clamp(Weeks, 1, MostWeeks);
        Teams = await squad.TeamsAsync(cancellationToken);
        Shown = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        var sheets = await past.OfTeamAsync(Shown.Id, null, today.AddDays(-7 * (Weeks + 1)), cancellationToken);
        var players = (await squad.ListAsync(Shown.Id, cancellationToken)).Where(player => !player.Archived);
        Coverage = SquadCoverage.Of(
            sheets,
            [.. players.Select(player => (player.UnitId, player.Name))],
            [
                .. (await book.ForTeamAsync(Shown.Id, cancellationToken))
                    .SelectMany(entry => entry.Card.Skills)
                    .Distinct(StringComparer.Ordinal),
            ],
            today,
            Weeks
        );
        Week = TotalsSince(today.AddDays(-6));
        All = TotalsSince(Coverage.Weeks[0]);

        IReadOnlyList<PlayerTotal> TotalsSince(DateOnly day) =>
            PlayerTotal.Of(
                sheets.Where(sheet => sheet.Practice.Date >= day && sheet.Practice.Date <= today).Select(sheet => sheet.Outcome)
            );
    }
}
