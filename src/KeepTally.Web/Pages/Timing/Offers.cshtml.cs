using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Planning;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>Three whole sheets to choose from, worked out from who is there, what with, and what has not been practised for long.</summary>
[Authorize(Policies.Head)]
public sealed class OffersModel(PlanBook plans, SheetOfferer offerer) : PageModel
{
    private const int MostSkills = 6;

    public required OpenPlan Open { get; set; }

    public IReadOnlyList<OfferedSheet> Offers { get; private set; } = [];

    public IReadOnlyList<string> Skills { get; private set; } = [];

    public IReadOnlyList<string> Sports { get; private set; } = [];

    /// <summary>The skills wanted.</summary>
    public IReadOnlyList<string> Wanted { get; private set; } = [];

    public string Sport { get; private set; } = "";

    public int Seed { get; private set; } = 1;

    public string? Hindrance { get; private set; }

    public PlanReport ReportOf(OfferedSheet offer) => PlanReport.Of(offer.Plan, Open.Shelf);

    public async Task<IActionResult> OnGetAsync(
        int id,
        string? sport,
        string[]? skill,
        int? seed,
        CancellationToken cancellationToken
    ) => await LoadAsync(id, sport, skill, seed, cancellationToken) ? Page() : NotFound();

    /// <summary>Takes one of them: it stands in place of what was on the sheet.</summary>
    public async Task<IActionResult> OnPostAsync(
        int id,
        int which,
        string? sport,
        string[]? skill,
        int seed,
        CancellationToken cancellationToken
    )
    {
        if (!await LoadAsync(id, sport, skill, seed, cancellationToken))
        {
            return NotFound();
        }

        if (which < 0 || which >= Offers.Count)
        {
            return BadRequest();
        }

        var taken = Offers[which].Plan;
        var edited = await plans.EditAsync(
            id,
            open =>
                open.IsRunning
                    ? Result.Fail<Plan>(new Fault("sheet", "practice has begun", "change its sheet line by line"))
                    : Result.Ok(open.Plan with { Blocks = taken.Blocks, Reserve = taken.Reserve }),
            cancellationToken
        );
        if (edited.FirstFault is not { } fault)
        {
            return RedirectToPage("/Timing/Sheet", new { id });
        }

        Hindrance = fault.Told;
        return Page();
    }

    private async Task<bool> LoadAsync(int id, string? sport, string[]? skill, int? seed, CancellationToken cancellationToken)
    {
        if (await plans.OpenAsync(id, cancellationToken) is not { } open)
        {
            return false;
        }

        Open = open;
        Sports = [.. open.Book.SelectMany(entry => entry.Card.Sports).Distinct().Order(StringComparer.Ordinal)];
        Skills = [.. open.Book.SelectMany(entry => entry.Card.Skills).Distinct().Order(StringComparer.Ordinal)];
        Sport =
            Sports.Contains(sport ?? "") ? sport!
            : sport is null ? await offerer.SportOfAsync(open, cancellationToken)
            : "";
        Wanted = [.. (skill ?? []).Where(Skills.Contains).Take(MostSkills)];
        Seed = Math.Clamp(seed ?? 1, 1, 1_000_000);
        Offers = await offerer.OfferAsync(id, Sport, Wanted, Seed, cancellationToken) ?? [];
        return true;
    }
}
