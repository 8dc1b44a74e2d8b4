using KeepTally.Core.Judgement;
using KeepTally.Core.Words;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>Whether what is foreseen of drills comes true: of what was called seven in ten, did about seven in ten happen?</summary>
public sealed class ForesightModel(PastBook past, SquadBook squad, TimeProvider clock) : PageModel
{
    private const int Weeks = 26;

    /// <summary>Fewer than this say nothing of whether it can be trusted.</summary>
    private const int Few = 30;

    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    public required Team Shown { get; set; }

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    public IReadOnlyList<ForeseenDrill> Drills { get; private set; } = [];

    public IReadOnlyList<CalibrationBin> Bins { get; private set; } = [];

    /// <summary>The findings, one sentence each.</summary>
    public IReadOnlyList<string> Words { get; private set; } = [];

    public async Task OnGetAsync(CancellationToken cancellationToken)
    {
        Teams = await squad.TeamsAsync(cancellationToken);
        Shown = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var since = DateOnly.FromDateTime(clock.GetLocalNow().DateTime).AddDays(-7 * Weeks);
        Drills = Foresight.Of(await past.OfTeamAsync(Shown.Id, null, since, cancellationToken), cancellationToken);
        Forecast[] forecasts = [.. Drills.SelectMany(drill => drill.Forecasts)];
        Bins = Calibration.Of(forecasts);
        Words = [.. CalibrationWords.Of(Bins, forecasts, Few)];
    }
}
