using KeepTally.Store.Book;
using KeepTally.Store.Planning;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>What the club has to practise with.</summary>
public sealed class EquipmentModel(GearBook gear, DrillBook book) : PageModel
{
    public IReadOnlyList<Gear> Things { get; private set; } = [];

    /// <summary>What cards of the book ask for and is not written down yet.</summary>
    public IReadOnlyList<string> Asked { get; private set; } = [];

    public string? Hindrance { get; private set; }

    public Task OnGetAsync(CancellationToken cancellationToken) => LoadAsync(cancellationToken);

    public async Task<IActionResult> OnPostAsync(string? item, int? count, CancellationToken cancellationToken)
    {
        if ((await gear.SetAsync(item ?? "", count, cancellationToken))?.Told is not { } why)
        {
            return RedirectToPage();
        }

        Hindrance = why;
        await LoadAsync(cancellationToken);
        return Page();
    }

    private async Task LoadAsync(CancellationToken cancellationToken)
    {
        Things = await gear.ListAsync(cancellationToken);
        Asked =
        [
            .. (await book.ListAsync(cancellationToken: cancellationToken))
                .SelectMany(entry => entry.Card.Equipment)
                .Select(each => each.Item)
                .Distinct()
                .Except(Things.Select(thing => thing.Item))
                .Order(StringComparer.Ordinal),
        ];
    }
}
