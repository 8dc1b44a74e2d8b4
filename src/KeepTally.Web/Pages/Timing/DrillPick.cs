using KeepTally.Core.Text;
using KeepTally.Store.Book;
using KeepTally.Store.Planning;

namespace KeepTally.Web.Pages.Timing;

/// <summary>A drill of the book that is offered for a plan.</summary>
/// <param name="Card">The id of its card.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Words">How long it takes, and when it was last done.</param>
public sealed record DrillPick(string Card, string Name, string Words)
{
    private const int Most = 8;

    /// <summary>Drills for a plan, those that fit it first.</summary>
    /// <param name="open">The open plan of the practice.</param>
    /// <param name="text">Words that the card or its rules must have; null for those alone that fit the plan.</param>
    /// <param name="today">The present day.</param>
    internal static DrillPick[] Of(OpenPlan open, string? text, DateOnly today)
    {
        var fitting = open.Spares.Where(card => !open.Plan.Blocks.Any(block => block.Cards.Contains(card))).ToArray();
        return
        [
            .. open
                .Book.Where(entry =>
                    text is null ? fitting.Contains(entry.Id) : !entry.Archived && BookSearch.Finds(text, entry.Card)
                )
                .OrderByDescending(entry => text is not null && BookSearch.IsName(text, entry.Card))
                .ThenBy(entry => Array.IndexOf(fitting, entry.Id) is >= 0 and var place ? place : int.MaxValue)
                .Take(Most)
                .Select(entry => new DrillPick(
                    entry.Id,
                    entry.Card.Name,
                    $"{Phrase.Figure(entry.Card.Minutes)} min, {Phrase.Done(entry.LastDone, today)}"
                )),
        ];
    }
}
