using System.Text.Json;
using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Json;

namespace KeepTally.Core.Formats;

/// <summary>
/// Reads and writes a drill book, <c>keep-tally/book@1</c>: a list of cards. A single card is a book of one. Source:
/// docs/formats.md, section 1.
/// </summary>
public static class BookReader
{
    /// <summary>The name and version of the format.</summary>
    public const string Format = "keep-tally/book@1";

    /// <summary>Every card with its own text; or the faults, at most fifty, each with the card's place in the book.</summary>
    public static Result<IReadOnlyList<BookCard>> Read(string json)
    {
        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        if (document is null)
        {
            return Result<IReadOnlyList<BookCard>>.Fail(faults);
        }

        var root = JsonPlace.Root(document.RootElement, faults);
        var cards =
            root.Find("format") is { IsText: true } format && format.Element.ValueEquals(Format)
                ? ReadBook(root, faults)
                : ReadOne(document.RootElement.GetRawText(), "", faults);
        return faults.Count == 0 ? Result<IReadOnlyList<BookCard>>.Ok(cards) : Result<IReadOnlyList<BookCard>>.Fail(faults);
    }

    /// <param name="cards">The text of each card.</param>
    public static string Write(IEnumerable<string> cards) =>
        JsonLine.WriteIndented(json =>
        {
            json.WriteStartObject();
            json.WriteString("format", Format);
            json.WriteStartArray("cards");
            foreach (var card in cards)
            {
                using var document = JsonDocument.Parse(card);
                document.RootElement.WriteTo(json);
            }

            json.WriteEndArray();
            json.WriteEndObject();
        });

    /// <summary>The same text, laid out as every text of the book is, so that two that say the same look the same.</summary>
    public static string Tidy(string json)
    {
        using var document = JsonDocument.Parse(json);
        return JsonLine.WriteIndented(document.RootElement.WriteTo);
    }

    private static List<BookCard> ReadBook(JsonPlace root, List<Fault> faults)
    {
        root.Only("format", "cards");
        var cards = new List<BookCard>();
        foreach (var place in root.Need("cards", "the list of cards")?.Items() ?? [])
        {
            if (faults.Count >= Fault.Most)
            {
                break;
            }

            cards.AddRange(ReadOne(place.Element.GetRawText(), place.Path, faults));
        }

        root.NoTwice("cards", cards.Select(each => each.Card.Id));
        return cards;
    }

    private static List<BookCard> ReadOne(string json, string path, List<Fault> faults)
    {
        var read = CardReader.Read(json);
        faults.AddRange(
            read.Faults.Select(fault =>
                path.Length == 0 ? fault : fault with { Path = fault.Path.Length == 0 ? path : $"{path}.{fault.Path}" }
            )
        );
        return read.IsOk ? [new BookCard(read.Value, Tidy(json))] : [];
    }
}

/// <summary>A card of a book and its text.</summary>
public sealed record BookCard(DrillCard Card, string Json);
