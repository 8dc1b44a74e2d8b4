using KeepTally.Core.Cards;
using KeepTally.Core.Measures;
using KeepTally.Store.Book;
using KeepTally.Store.People;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Drills;

/// <summary>Trains the thumb: a simulated drill is played, and the person training keeps the tally on the pad of the run screen.</summary>
public sealed class TrainModel(DrillBook book, PaceBook paces) : PageModel
{
    public required DrillCard Card { get; set; }

    public required TryPad Pad { get; set; }

    public required string CardId { get; set; }

    /// <summary>The reader's units and stride.</summary>
    public Pacing Pacing { get; private set; }

    /// <summary>Whether anything of it is tapped at all.</summary>
    public bool IsTapped => Card.Stages[Pad.Stage] is { Outcomes.Count: > 0 } or { Rules.Count: > 0, Scores: not Scorer.None };

    public async Task<IActionResult> OnGetAsync(string id, int stage, int players, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, null, cancellationToken) is not { } page)
        {
            return NotFound();
        }

        Card = page.Card;
        CardId = page.Row.Id;
        Pad = TryPad.Of(Card, page.Shown.Json, stage, players);
        (Pacing, _) = await paces.OfAsync(HttpContext.Caller()!, cancellationToken);
        return Page();
    }
}
