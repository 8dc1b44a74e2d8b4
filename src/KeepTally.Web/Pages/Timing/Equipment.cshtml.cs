using KeepTally.Store.Book;
using KeepTally.Store.Planning;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>The equipment of the club.</summary>
public sealed class EquipmentModel(GearBook gear, DrillBook book) : PageModel
{
    public IReadOnlyList<Gear> Things { get; private set; } = [];

    /// <summary>The items that cards of the book need and the list does not have yet.</summary>
    public IReadOnlyList<string> Asked { get; private set; } = [];

    public string? Hindrance { get; private set; }

    public Task OnGetAsync(CancellationToken cancellationToken) => LoadAsync(cancellationToken);

    public async Task<IActionResult> OnPostAsync(string? item, int? count, CancellationToken cancellationToken)
    {
        if ((await gear.SetAsync(item ?? "", count, cancellationToken)).FirstFault?.Told is not { } why)
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
