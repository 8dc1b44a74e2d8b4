using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>What was written down in earlier practices about the drills of a timing sheet, as a piece of its page.</summary>
public sealed class BeforeModel(PracticeBook book, PastBook past) : PageModel
{
    private const int MostOfDrill = 3;
    private const int Weeks = 12;

    /// <summary>About the drills of this sheet, in their order, the latest of each first.</summary>
    public IReadOnlyList<DrillNote> Notes { get; private set; } = [];

    /// <summary>What was written down about the last practice as a whole.</summary>
    public IReadOnlyList<(DateOnly Date, string Text)> OfPractice { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        var sheets = (await past.OfTeamAsync(practice.TeamId, null, practice.Date.AddDays(-7 * Weeks), cancellationToken))
            .Where(sheet => sheet.Practice.Id != id && sheet.Practice.Date <= practice.Date)
            .ToArray();
        var cards = practice
            .Blocks.OrderBy(block => block.Order)
            .SelectMany(block =>
                block.Circuit?.Stations.OrderBy(station => station.Order).Select(station => station.CardVersion?.CardId)
                ?? [block.CardVersion?.CardId]
            )
            .OfType<string>()
            .Distinct();
        Notes =
        [
            .. cards.SelectMany(card =>
                DrillBefore.Of([.. sheets.Where(sheet => sheet.Outcome.Card.Id == card)]).Notes.Take(MostOfDrill)
            ),
        ];
        var last = sheets.Length > 0 ? sheets.Max(sheet => sheet.Practice.Date) : default;
        OfPractice =
        [
            .. sheets
                .Where(sheet => sheet.Practice.Date == last)
                .SelectMany(
                    sheet => sheet.Outcome.Notes.Where(note => note.OfPractice),
                    (sheet, note) => (sheet.Practice.Date, note.Text)
                )
                .Distinct(),
        ];
        return Page();
    }
}
