using System.Globalization;
using KeepTally.Core.Circuits;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Json;
using KeepTally.Core.Time;

namespace KeepTally.Core.Archive;

/// <summary>Reads a whole practice. Source: docs/formats.md, section 9.</summary>
public static class ArchiveReader
{
    /// <summary>The name and version of the format.</summary>
    public const string Format = "keep-tally/practice@1";

    private const int LongestName = 200;
    private const int MostSheets = 500;
    private const double MostMinutes = 1000;
    private const int MostRounds = 999;

    /// <summary>The practice, or every fault in the text.</summary>
    public static Result<PracticeArchive> Read(string json)
    {
        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        var practice = document is null ? null : Read(JsonPlace.Root(document.RootElement, faults), faults);
        return practice is not null && faults.Count == 0
            ? Result<PracticeArchive>.Ok(practice)
            : Result<PracticeArchive>.Fail(faults);
    }

    private static PracticeArchive? Read(JsonPlace place, List<Fault> faults)
    {
        place.Only("format", "title", "team", "date", "start", "origin", "blocks");
        if (!place.IsObject)
        {
            return null;
        }

        if (place.Need("format", $"\"{Format}\"") is { } format && format.Text() != Format)
        {
            format.Wrong("this is not a whole practice", $"write \"{Format}\"");
            return null;
        }

        var found = place.Need("blocks", "what was on the timing sheet");
        var blocks = found?.Items().Select(block => Block(block, faults)).ToArray();
        if (blocks is { Length: 0 })
        {
            found?.Wrong("nothing was run", "write one block at least");
        }

        return new PracticeArchive(
            Short(place, "title"),
            Short(place, "team"),
            Moment<DateOnly>(place, "date", "the day, as 2026-10-03", DateOnly.TryParseExact, "yyyy-MM-dd"),
            Moment<TimeOnly>(place, "start", "when it was to begin, as 17:30", TimeOnly.TryParseExact, "HH:mm"),
            new RunOrigin(place.Need("origin", "milliseconds since 1970")?.WholeLong(0, EventReader.LatestAt.Milliseconds) ?? 0),
            blocks ?? []
        );
    }

    private static ArchivedBlock Block(JsonPlace place, List<Fault> faults)
    {
        place.Only("minutes", "changeSeconds", "card", "sheets");
        var card = place.Need("card", "the card as it was")?.Element.GetRawText() ?? "{}";
        var sheets =
            place.Need("sheets", "the sheets that were kept")?.Items().Select(sheet => Sheet(sheet, card, faults)).ToArray() ?? [];
        if (sheets.Length is 0 or > MostSheets)
        {
            place.Wrong("this has no sheets, or too many", $"write 1 to {MostSheets}");
        }

        var stations = sheets.Select(sheet => sheet?.Stop?.Station).OfType<int>().Distinct().Order().ToArray();
        if (!stations.SequenceEqual(Enumerable.Range(0, stations.Length)) || stations.Length > 0 != IsCircuit(card))
        {
            place.Wrong(
                "a circuit has stations from 0 on, each with its sheets, and nothing else has",
                "write them, or leave them out"
            );
        }

        return new ArchivedBlock(
            place.Find("minutes")?.Number(0, MostMinutes) ?? 0,
            place.Find("changeSeconds")?.Whole(0, 3600) ?? 0,
            card,
            [.. sheets.OfType<ArchivedSheet>()]
        );
    }

    private static ArchivedSheet? Sheet(JsonPlace place, string ofBlock, List<Fault> faults)
    {
        place.Only("name", "card", "round", "station", "group", "head", "events");
        var own = place.Find("card")?.Element.GetRawText();
        var stop = place.Find("round") is { } round
            ? new CircuitStop(
                round.Whole(1, MostRounds),
                place.Need("station", "which station, from 0")?.Whole(0, MostRounds) ?? 0,
                place.Need("group", "which group, from 0")?.Whole(0, MostRounds) ?? 0
            )
            : (CircuitStop?)null;
        var head = place.Need("head", "the head of its log") is { } at
            ? Taken(HeadReader.Read(at.Element.GetRawText()), at.Path)
            : null;
        var events = place.Need("events", "the events of its log")?.Items().Select(Event).OfType<RunEvent>().ToArray() ?? [];
        var sheet = head is null
            ? null
            : new ArchivedSheet(
                place.Need("name", "what it is called, empty for the only one")?.Text() ?? "",
                own,
                stop,
                head,
                events
            );
        return sheet is not null && Opens(sheet) ? sheet : null;

        RunEvent? Event(JsonPlace line) => Taken(EventReader.Read(line.Element.GetRawText()), line.Path);

        bool Opens(ArchivedSheet read)
        {
            var card = CardReader.Read(read.CardJson ?? ofBlock, read.Head.Options);
            var opened = card.IsOk ? Live.Sheet.Open(card.Value, read.Head) : null;
            // Who comes in is known once all events are: a sheet asked before would refuse what is said of them.
            opened?.Value?.AddAll(read.Events);
            var refused = opened is { IsOk: true }
                ? read.Events.Select(opened.Value.Check).FirstOrDefault(fault => fault is not null)
                : null;
            Fault[] all = [.. card.Faults, .. opened?.Faults ?? [], .. refused is null ? Array.Empty<Fault>() : [refused]];
            faults.AddRange(all.Select(fault => Under(fault, place.Path)));
            return all.Length == 0;
        }

        T? Taken<T>(Result<T> read, string path)
            where T : class
        {
            faults.AddRange(read.Faults.Select(fault => Under(fault, path)));
            return read.Value;
        }
    }

    private static bool IsCircuit(string card) => CardReader.Read(card) is { IsOk: true, Value.Id: CircuitCard.Id };

    private static Fault Under(Fault fault, string path) =>
        fault with
        {
            Path =
                fault.Path.Length == 0 ? path
                : fault.Path[0] == '[' ? path + fault.Path
                : $"{path}.{fault.Path}",
        };

    private static string Short(JsonPlace place, string name)
    {
        if (place.Need(name, "what it is called") is not { } found)
        {
            return "";
        }

        var text = found.Text().Trim();
        if (text.Length is 0 or > LongestName)
        {
            found.Wrong("this is no name", $"write 1 to {LongestName} letters");
        }

        return text;
    }

    private delegate bool TryParse<T>(string? text, string format, IFormatProvider? culture, DateTimeStyles styles, out T value);

    private static T Moment<T>(JsonPlace place, string name, string what, TryParse<T> parse, string format)
        where T : struct
    {
        if (place.Need(name, what) is not { } found)
        {
            return default;
        }

        if (!parse(found.Text(), format, CultureInfo.InvariantCulture, DateTimeStyles.None, out var value))
        {
            found.Wrong("this is no such moment", "write " + what);
        }

        return value;
    }
}
