using KeepTally.Store.Book;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Begin;

/// <summary>A ready practice from the book, to be run at once: the last of three steps to a first practice.</summary>
[Authorize(Policies.Head)]
public sealed class PracticeModel(SquadBook squad, DrillBook book, ReadyPracticeWriter ready, PracticeStart start) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    public required Team Shown { get; set; }

    public int Players { get; private set; }

    /// <summary>The names of cards, by id.</summary>
    public IReadOnlyDictionary<string, string> Names { get; private set; } = new Dictionary<string, string>();

    public string? Hindrance { get; private set; }

    /// <summary>Why it has not started, for Today.</summary>
    [TempData]
    public string? Unstarted { get; set; }

    public Task OnGetAsync(CancellationToken cancellationToken) => LoadAsync(cancellationToken);

    /// <summary>Makes it, and begins it or shows it on Today.</summary>
    public async Task<IActionResult> OnPostAsync(string practice, bool begin, CancellationToken cancellationToken)
    {
        Shown = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var made = await ready.AddAsync(practice, Shown.Id, cancellationToken);
        if (!made.IsOk)
        {
            Hindrance = made.Faults[0].Told;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            await LoadAsync(cancellationToken);
            return Page();
        }

        if (!begin)
        {
            return RedirectToPage("/Index", new { practice = made.Value });
        }

        if ((await start.BeginAsync(made.Value, cancellationToken)).FirstFault is { } fault)
        {
            Unstarted = fault.Told;
            return RedirectToPage("/Index", new { practice = made.Value });
        }

        return RedirectToPage("/Run/Index", new { id = made.Value });
    }

    private async Task LoadAsync(CancellationToken cancellationToken)
    {
        Shown = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        Players = (await squad.ListAsync(Shown.Id, cancellationToken)).Count;
        Names = (await book.ListAsync(archived: false, cancellationToken)).ToDictionary(
            entry => entry.Id,
            entry => entry.Card.Name
        );
    }
}
