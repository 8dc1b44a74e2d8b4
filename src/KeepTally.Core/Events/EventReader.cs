using KeepTally.Core.Events.Fields;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Json;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>Reads one event of a log, one JSON object. Source: docs/formats.md, section 2.</summary>
public static class EventReader
{
    internal static readonly Instant LatestAt = new(1_000_000_000_000_000);

    /// <summary>The event of a line, or every fault in it.</summary>
    public static Result<RunEvent> Read(string json) =>
        EventScan.Read(json) is { } plain ? Result<RunEvent>.Ok(plain) : ReadClosely(json);

    /// <summary>Reads a line through all its places, so that each fault is named.</summary>
    public static Result<RunEvent> ReadClosely(string json)
    {
        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        var runEvent = document is null ? null : Read(JsonPlace.Root(document.RootElement, faults));
        return runEvent is not null && faults.Count == 0 ? Result<RunEvent>.Ok(runEvent) : Result<RunEvent>.Fail(faults);
    }

    private static RunEvent? Read(JsonPlace place)
    {
        if (!place.IsObject)
        {
            place.Wrong("an event is an object", "write { \"device\": …, \"n\": …, \"at\": …, \"type\": … }");
            return null;
        }

        var type = place.Need("type", "the type of the event, such as \"tap\"")?.Text();
        var id = new EventId(
            new DeviceId(place.Find("device")?.Limited(Limits.LongestDevice) ?? ""),
            place.Need("n", "the number of the event on its device")?.Whole(0, int.MaxValue) ?? 0
        );
        var at = new Instant(
            place.Need("at", "whole milliseconds from the run's origin")?.WholeLong(0, LatestAt.Milliseconds) ?? 0
        );
        if (id.Device.Value.Length == 0)
        {
            place.NeedText("device", "which device made it");
        }

        if (type is null)
        {
            return null;
        }

        if (EventFormats.Of(type) is not { } format)
        {
            var known = string.Join(", ", EventFormats.All.Select(each => each.Type));
            place.Find("type")?.Wrong($"\"{type}\" is no type of event", $"write one of {known}");
            return null;
        }

        place.Only(["device", "n", "at", "type", .. format.Fields.Select(field => field.Name)]);
        var said = new Said();
        foreach (var field in format.Fields)
        {
            said.Put(field, field.Read(place));
        }

        return format.Make(id, at, said);
    }
}
