using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Planning;

/// <summary>The cards a sheet is worked out with: those of its own lines as they stand there, else the newest of the book.</summary>
internal static class PlanShelf
{
    internal static CardShelf Of(Practice? practice, IReadOnlyList<BookEntry> book, TextCache texts)
    {
        var own = (practice?.Blocks ?? [])
            .SelectMany(VersionsOf)
            .DistinctBy(version => version.CardId)
            .ToDictionary(version => version.CardId, version => version.Json, StringComparer.Ordinal);
        var newest = book.ToDictionary(entry => entry.Id, entry => entry.Card, StringComparer.Ordinal);
        return new CardShelf(
            (card, options) =>
                own.TryGetValue(card, out var text) ? texts.Read(text, options).Value : newest.GetValueOrDefault(card)
        );
    }

    private static IEnumerable<CardVersion> VersionsOf(Block block) =>
        block.Circuit is { } circuit ? circuit.Stations.Select(station => station.CardVersion!)
        : block.CardVersion is { } version ? [version]
        : [];
}
