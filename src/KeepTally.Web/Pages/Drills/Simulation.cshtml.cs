using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;
using KeepTally.Screen;
using KeepTally.Store.Book;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Drills;

/// <summary>A drill played ahead: what its rules mean for these players, in the time there is.</summary>
public sealed class SimulationModel(DrillBook book, PastBook past, SquadBook squad, SimulationQueue queue) : PageModel
{
    /// <summary>How often it is played without a limit of time, and for so many goes at the most.</summary>
    private const int LetRun = 4000;

    private const double LongestPace = 3600;
    private const double LongestMinutes = 600;

    public required DrillCard Card { get; set; }

    public required string CardId { get; set; }

    public Stage Stage => Card.Stages[StageIndex];

    public int StageIndex { get; private set; }

    public required Team Shown { get; set; }

    /// <summary>The team whose record it is; the first where none is named.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    /// <summary>The record of the team in this stage under its current rules; empty where it has not played it, or in a match.</summary>
    public Share Record { get; private set; }

    /// <summary>How often a go succeeds, of a hundred; the team's record where it is left out, in a match a half.</summary>
    public double Percent { get; private set; }

    /// <summary>Whether the share is as uncertain as the record it was read from.</summary>
    public bool IsOfRecord { get; private set; }

    public double Minutes { get; private set; }

    /// <summary>Seconds from one go of a player to the next.</summary>
    public double Pace { get; private set; }

    /// <summary>How often each outcome was tapped before; null where it never was.</summary>
    public IReadOnlyDictionary<string, int>? Counts { get; private set; }

    /// <summary>The card as JSON, for the core in the browser; safe in a script.</summary>
    public string SafeCard { get; private set; } = "";

    /// <summary><see cref="Counts"/> as the core in the browser reads them: "goal:12 miss:8".</summary>
    public string CountsText =>
        string.Join(
            ' ',
            (Counts ?? new Dictionary<string, int>()).Select(count => $"{count.Key}:{count.Value}").Order(StringComparer.Ordinal)
        );

    /// <summary>The forecast; null where the drill cannot be simulated.</summary>
    public DrillForecast? Forecast { get; private set; }

    /// <summary>The fault of the request, or null.</summary>
    public string? Fault { get; private set; }

    public async Task<IActionResult> OnGetAsync(
        string id,
        int stage,
        double? percent,
        double? minutes,
        double? pace,
        CancellationToken cancellationToken
    )
    {
        if (await book.FindAsync(id, null, cancellationToken) is not { } page)
        {
            return NotFound();
        }

        (Card, CardId, StageIndex) = (page.Card, page.Row.Id, Math.Clamp(stage, 0, page.Card.Stages.Count - 1));
        SafeCard = page.Shown.Json.Replace("<", "\\u003c", StringComparison.Ordinal);
        await ReadRecordAsync(cancellationToken);
        Percent = percent ?? (Record.Of > 0 ? Math.Round(100 * Record.Value) : 50);
        // What the coach writes is meant; what the record says is not known any better than it is.
        IsOfRecord = percent is null && Record.Of > 0;
        Minutes = minutes ?? (Card.Minutes > 0 ? Card.Minutes : 8);
        Pace = pace ?? GoPace.Of(Card, Stage, Math.Max(1, Card.Players.Best)).TotalSeconds;
        Fault =
            !ModelState.IsValid ? "Write numbers, as 45 or 7.5."
            : Percent is < 0 or > 100 ? "Enter the share made, from 0 to 100."
            : Minutes is <= 0 or > LongestMinutes ? "Write minutes from 0.5 to 600."
            : Pace is < 0.5 or > LongestPace ? "Write seconds from one go to the next, from 0.5 to 3600."
            : null;
        if (Fault is null)
        {
            await SimulateAsync((page.Shown.Id, page.Row.Revision), cancellationToken);
        }

        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Simulation", this) : Page();
    }

    private async Task SimulateAsync((int Version, int Revision) card, CancellationToken cancellationToken)
    {
        if (DrillSkill.Of(Stage, Percent / 100, Counts, IsOfRecord ? Record : null) is not { } skill)
        {
            return;
        }

        var opened = Simulator.Open(Card, StageIndex, skill);
        if (!opened.IsOk)
        {
            Fault = opened.Faults[0].Told;
            return;
        }

        Forecast = await queue.RunAsync(
            (card, StageIndex, Percent, IsOfRecord ? Record : default, CountsText, Minutes, Pace),
            cancel =>
                DrillForecast.Of(
                    Card,
                    StageIndex,
                    opened.Value,
                    skill,
                    new SimulationSettings(Duration.FromSeconds(Pace)) { Given = Duration.FromMinutes(Minutes) },
                    LetRun,
                    cancel
                ),
            cancellationToken
        );
    }

    private async Task ReadRecordAsync(CancellationToken cancellationToken)
    {
        Shown = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var ways = DrillPast.Of(await past.OfTeamAsync(Shown.Id, CardId, null, cancellationToken));
        var way = ways.FirstOrDefault(each => each.Stage.Name == Stage.Name);
        // In a match makes of both sides are added up: they do not say who scores more often.
        Record = Stage.Play == Play.Match ? default : way?.All ?? default;
        Counts = way?.Counts;
    }
}
