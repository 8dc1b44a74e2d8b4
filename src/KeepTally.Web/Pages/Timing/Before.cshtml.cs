using KeepTally.Core.Formats;
using KeepTally.Core.Text;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>The notes of earlier practices on the drills of a timing sheet, as a part of its page.</summary>
public sealed class BeforeModel(PracticeBook book, PastBook past, LoadBook loads, SquadBook squad) : PageModel
{
    private const int MostOfDrill = 3;
    private const int Weeks = 12;

    /// <summary>About the drills of this sheet, in their order, the latest of each first.</summary>
    public IReadOnlyList<DrillNote> Notes { get; private set; } = [];

    /// <summary>The notes on the last practice as a whole.</summary>
    public IReadOnlyList<(DateOnly Date, string Text)> OfPractice { get; private set; } = [];

    /// <summary>For whom rest is due on the day, kind by kind: "throws: Ada Fenwick and Bea Marlowe".</summary>
    public IReadOnlyList<string> Resting { get; private set; } = [];

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
        Resting = await RestingAsync(practice, cancellationToken);
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

    private async Task<IReadOnlyList<string>> RestingAsync(Practice practice, CancellationToken cancellationToken)
    {
        var kinds = practice
            .Blocks.SelectMany(block =>
                block.Circuit?.Stations.Select(station => station.CardVersion?.Json) ?? [block.CardVersion?.Json]
            )
            .OfType<string>()
            .Select(json => CardReader.Read(json))
            .Where(read => read.IsOk)
            .Select(read => read.Require().Load?.Kind)
            .OfType<string>()
            .Distinct()
            .ToArray();
        var resting = (await loads.AllowancesAsync(practice, kinds, cancellationToken)).Where(each => each.Rests).ToArray();
        if (resting.Length == 0)
        {
            return [];
        }

        var names = (await squad.ListAsync(practice.TeamId, cancellationToken)).ToDictionary(
            player => player.UnitId,
            player => player.Name
        );
        return
        [
            .. resting
                .Where(each => names.ContainsKey(each.Player))
                .GroupBy(each => each.Kind)
                .Select(kind =>
                    $"{Phrase.Plural(2, kind.Key)}: {Phrase.List([.. kind.Select(each => names[each.Player]).Order(StringComparer.Ordinal)])}"
                ),
        ];
    }
}
