using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Json;
using KeepTally.Core.Planning;

namespace KeepTally.Core.Links;

/// <summary>Reads <c>keep-tally/link@1</c>. Source: docs/formats.md, section 11.</summary>
public static class LinkReader
{
    /// <summary>The most characters of a link's content.</summary>
    public const int Longest = 300_000;

    /// <summary>The content, or every fault with its path.</summary>
    public static Result<LinkContent> Read(string json)
    {
        if (json.Length > Longest)
        {
            return Result.Fail<LinkContent>(
                new Fault("", $"the link holds more than {Longest} characters", "ask for the file in its place")
            );
        }

        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        if (document is null)
        {
            return Result.Fail<LinkContent>(faults);
        }

        var root = JsonPlace.Root(document.RootElement, faults);
        root.Only("format", "plan", "cards", "names");
        if (
            root.Need("format", $"\"{LinkContent.Format}\"") is { } format
            && !(format.IsText && format.Element.ValueEquals(LinkContent.Format))
        )
        {
            format.Wrong("this is no link of Keep Tally, or of a newer one", "ask for the file in its place");
        }

        var cards = new List<BookCard>();
        foreach (var place in root.Find("cards")?.Items() ?? [])
        {
            cards.AddRange(Below(place, BookReader.Read(place.Element.GetRawText()), faults) ?? []);
        }

        root.NoTwice("cards", cards.Select(each => each.Card.Id));
        var plan = root.Find("plan") is { } planned ? Below(planned, PlanReader.Read(planned.Element.GetRawText()), faults) : null;
        var names = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var (id, name) in root.Find("names")?.Properties() ?? [])
        {
            names[id] = name.Text();
        }

        if (faults.Count == 0 && plan is null && cards.Count == 0)
        {
            root.Wrong("the link holds neither a card nor a plan", "ask for it again");
        }

        return faults.Count == 0 ? Result.Ok(new LinkContent(plan, cards, names)) : Result.Fail<LinkContent>(faults);
    }

    /// <summary>What was read below a place; its faults by their path from the root.</summary>
    private static T? Below<T>(JsonPlace place, Result<T> read, List<Fault> faults)
        where T : class
    {
        faults.AddRange(
            read.Faults.Select(fault => fault with { Path = fault.Path.Length == 0 ? place.Path : $"{place.Path}.{fault.Path}" })
        );
        return read.IsOk ? read.Value : null;
    }
}
