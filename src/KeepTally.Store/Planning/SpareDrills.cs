using KeepTally.Core.Planning;
using KeepTally.Store.Book;

namespace KeepTally.Store.Planning;

/// <summary>Which drills of the book are put forward first.</summary>
internal static class SpareDrills
{
    /// <summary>The drills of the sheet's sports that its squad can do, never done or not done for longest first.</summary>
    internal static IReadOnlyList<string> Of(Plan plan, IReadOnlyList<BookEntry> book, IReadOnlySet<string> sports) =>
        [
            .. book.Where(entry => !entry.Archived && entry.Card.Stages.Count == 1)
                .Where(entry =>
                    sports.Count == 0 || entry.Card.Sports.Contains(BookFilter.AnySport) || entry.Card.Sports.Any(sports.Contains)
                )
                .OrderBy(entry => SuggestedCount.For(plan, entry.Card) is null)
                .ThenBy(entry => entry.Card.Sports.Contains(BookFilter.AnySport))
                .ThenBy(entry => entry.LastDone ?? DateOnly.MinValue)
                .ThenBy(entry => entry.Id, StringComparer.Ordinal)
                .Select(entry => entry.Id),
        ];
}
