using KeepTally.Store.Book;
using KeepTally.Store.Planning;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Circuit;

/// <summary>Puts a circuit together and onto a timing sheet.</summary>
[Authorize(Policies.Head)]
public sealed class NewModel(DrillBook book, PracticeList practices, CircuitWriter circuits, SquadBook squad) : PageModel
{
    [BindProperty]
    public CircuitForm Form { get; set; } = new();

    /// <summary>The drills of the book, by name.</summary>
    public IReadOnlyList<(string Id, string Name)> Drills { get; private set; } = [];

    /// <summary>Practices whose sheet is still open.</summary>
    public IReadOnlyList<Practice> Practices { get; private set; } = [];

    public string? Hindrance { get; private set; }

    public CircuitGrid Grid => Form.Grid(Drills.ToDictionary(drill => drill.Id, drill => drill.Name));

    public async Task OnGetAsync(int? practice, CancellationToken cancellationToken)
    {
        Form.Practice = practice;
        await LoadAsync(cancellationToken);
    }

    /// <summary>Shows the grid of what is written so far, with a station more or less.</summary>
    public async Task<IActionResult> OnPostShowAsync(int more, CancellationToken cancellationToken)
    {
        Resize(Form.Cards.Count + Math.Sign(more));
        ModelState.Clear();
        await LoadAsync(cancellationToken);
        return !Request.Headers.ContainsKey("HX-Request") ? Page()
            : more == 0 ? Partial("_Grid", Grid)
            : Partial("_Form", this);
    }

    public async Task<IActionResult> OnPostAsync(CancellationToken cancellationToken)
    {
        if (ModelState.IsValid)
        {
            var added = await circuits.AddAsync(Form.Line, cancellationToken);
            if (added.IsOk)
            {
                return RedirectToPage("/Index", new { practice = added.Value });
            }

            Hindrance = added.Faults[0].Told;
        }
        else
        {
            Hindrance = ModelState.Values.SelectMany(value => value.Errors).First().ErrorMessage;
        }

        await LoadAsync(cancellationToken);
        return Page();
    }

    private void Resize(int stations)
    {
        var count = Math.Clamp(stations, CircuitWriter.FewestStations, CircuitWriter.MostStations);
        Form.Cards = [.. Form.Cards.Take(count), .. Enumerable.Repeat("", Math.Max(0, count - Form.Cards.Count))];
    }

    private async Task LoadAsync(CancellationToken cancellationToken)
    {
        Drills = [.. (await book.ListAsync(archived: false, cancellationToken)).Select(entry => (entry.Id, entry.Card.Name))];
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(), cancellationToken);
        Practices = await practices.ToComeAsync(team.Id, cancellationToken: cancellationToken);
    }
}
