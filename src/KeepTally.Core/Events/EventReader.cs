using KeepTally.Core.Clock;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Json;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>Reads one event of a log, one JSON object. Source: docs/formats.md, section 2.</summary>
public static class EventReader
{
    internal const int LongestWord = 200;
    internal const int LongestDevice = 64;
    internal const int MostTags = 20;
    private const int MostLaps = 100;
    internal static readonly Instant LatestAt = new(1_000_000_000_000_000);
    private const double MostAdded = 3600;
    private const int LongestNote = 2000;
    private const int MostCounted = 100_000;
    private const int MostRounds = 999;

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
            new DeviceId(ShortText(place, "device", LongestDevice) ?? ""),
            place.Need("n", "the number of the event on its device")?.Whole(0, int.MaxValue) ?? 0
        );
        var at = new Instant(
            place.Need("at", "whole milliseconds from the run's origin")?.WholeLong(0, LatestAt.Milliseconds) ?? 0
        );
        if (id.Device.Value.Length == 0)
        {
            place.NeedText("device", "which device made it");
        }

        switch (type)
        {
            case RunEvent.Start.TypeName:
                Only(place);
                return new RunEvent.Start(id, at);
            case RunEvent.Pause.TypeName:
                Only(place);
                return new RunEvent.Pause(id, at);
            case RunEvent.Resume.TypeName:
                Only(place);
                return new RunEvent.Resume(id, at);
            case RunEvent.End.TypeName:
                Only(place);
                return new RunEvent.End(id, at);
            case RunEvent.Tap.TypeName:
                Only(place, "unit", "outcome", "zone", "tags", "value", "laps");
                return new RunEvent.Tap(
                    id,
                    at,
                    Player(place, "unit"),
                    ShortText(place, "outcome"),
                    ShortText(place, "zone"),
                    Tags(place),
                    place.Find("value")?.Number()
                )
                {
                    Laps = Laps(place),
                };
            case RunEvent.Amend.TypeName:
                Only(place, "of", "unit", "outcome", "zone", "tags", "value", "counts");
                return new RunEvent.Amend(
                    id,
                    at,
                    Of(place),
                    Player(place, "unit"),
                    ShortText(place, "outcome"),
                    ShortText(place, "zone"),
                    place.Find("value")?.Number(),
                    place.Find("counts")?.Boolean()
                )
                {
                    Tags = Tags(place),
                };
            case RunEvent.Turn.TypeName:
                Only(place, "unit");
                return new RunEvent.Turn(id, at, Player(place, "unit"));
            case RunEvent.Rotate.TypeName:
                Only(place, "winner", "loser", "actor");
                return new RunEvent.Rotate(id, at, Player(place, "winner"), Player(place, "loser"), Player(place, "actor"));
            case RunEvent.Undo.TypeName:
                Only(place, "of");
                return new RunEvent.Undo(id, at, Of(place));
            case RunEvent.Freeze.TypeName:
                Only(place, "reason");
                return new RunEvent.Freeze(id, at, ShortText(place, "reason") ?? "");
            case RunEvent.Note.TypeName:
                Only(place, "text", "unit", "practice");
                return new RunEvent.Note(
                    id,
                    at,
                    place.NeedText("text", "the words of the note") is var text && text.Length > 0
                        ? ShortText(place, "text", LongestNote) ?? ""
                        : text,
                    Player(place, "unit")
                )
                {
                    OfPractice = place.Find("practice")?.Boolean() ?? false,
                };
            case RunEvent.Add.TypeName:
                Only(place, "seconds");
                return new RunEvent.Add(
                    id,
                    at,
                    Duration.FromSeconds(
                        place.Need("seconds", "how many seconds more, or below nought less")?.Number(-MostAdded, MostAdded) ?? 0
                    )
                );
            case RunEvent.Skip.TypeName:
                Only(place, "interval", "round");
                return new RunEvent.Skip(
                    id,
                    at,
                    place.Need("interval", "work, change or break")?.OneOf(IntervalWords.All) ?? IntervalKind.Work,
                    place.Need("round", "the round it belongs to, from 1")?.Whole(1, MostRounds) ?? 1
                );
            case RunEvent.Rounds.TypeName:
                Only(place, "rounds");
                return new RunEvent.Rounds(
                    id,
                    at,
                    place.Need("rounds", "how many rounds there are to be")?.Whole(1, MostRounds) ?? 1
                );
            case RunEvent.Whistle.TypeName:
                Only(place);
                return new RunEvent.Whistle(id, at);
            case RunEvent.Again.TypeName:
                Only(place, "ends", "moves");
                return new RunEvent.Again(id, at, place.Find("ends")?.Boolean() ?? false, place.Find("moves")?.Boolean() ?? false);
            case RunEvent.Habit.TypeName:
                Only(place, "habit", "player");
                return new RunEvent.Habit(
                    id,
                    at,
                    place.NeedText("habit", "what was seen, such as \"loose ball\"") is { Length: > 0 }
                        ? ShortText(place, "habit") ?? ""
                        : "",
                    Player(place, "player")
                );
            case RunEvent.OwnCount.TypeName:
                Only(place, "unit", "count", "round");
                return new RunEvent.OwnCount(
                    id,
                    at,
                    new PlayerId(place.NeedText("unit", "who says so") is { Length: > 0 } ? ShortText(place, "unit") ?? "" : ""),
                    place.Need("count", "how many")?.Whole(0, MostCounted) ?? 0,
                    place.Find("round")?.Whole(1, MostRounds) ?? 1
                );
            case RunEvent.Cue.TypeName:
                Only(place, "text", "unit");
                return new RunEvent.Cue(
                    id,
                    at,
                    place.Need("text", "what is to be said; an empty text takes it away") is { } words
                        ? Limited(words, LongestWord)
                        : "",
                    Player(place, "unit")
                );
            case RunEvent.Substitution.TypeName:
                Only(place, "out", "in");
                return new RunEvent.Substitution(id, at, Player(place, "out"), Player(place, "in"));
            case null:
                return null;
            default:
                place
                    .Find("type")
                    ?.Wrong(
                        $"\"{type}\" is no type of event",
                        "write one of start, pause, resume, end, tap, amend, turn, rotate, undo, freeze, note, add, skip, rounds, whistle, again, habit, count, cue, sub"
                    );
                return null;
        }
    }

    private static void Only(JsonPlace place, params ReadOnlySpan<string> own) => place.Only(["device", "n", "at", "type", .. own]);

    private static PlayerId? Player(JsonPlace place, string name) => ShortText(place, name) is { } id ? new PlayerId(id) : null;

    private static string? ShortText(JsonPlace place, string name, int longest = LongestWord) =>
        place.Find(name) is { } found ? Limited(found, longest) : null;

    private static string Limited(JsonPlace found, int longest)
    {
        var word = found.Text();
        if (word.Length > longest)
        {
            found.Wrong("this is too long", $"write at most {longest} characters");
        }
        else if (word.AsSpan().ContainsAnyInRange('\0', '\u0008'))
        {
            found.Wrong("this holds a character that cannot be shown", "remove it");
        }

        return word;
    }

    private static EventId Of(JsonPlace place)
    {
        if (place.Need("of", "the device and n of the event it reaches for") is not { } of)
        {
            return default;
        }

        of.Only("device", "n");
        return new EventId(
            new DeviceId(
                of.NeedText("device", "whose event") is { Length: > 0 } ? ShortText(of, "device", LongestDevice) ?? "" : ""
            ),
            of.Need("n", "which event")?.Whole(0, int.MaxValue) ?? 0
        );
    }

    private static double[]? Laps(JsonPlace place)
    {
        if (place.Find("laps") is not { } laps)
        {
            return null;
        }

        var read = laps.Items().Select(lap => lap.Number()).ToArray();
        if (read.Length is 0 or > MostLaps)
        {
            laps.Wrong("this is no row of laps", $"write 1 to {MostLaps} numbers");
        }

        return read;
    }

    private static Dictionary<string, string>? Tags(JsonPlace place)
    {
        if (place.Find("tags") is not { } tags)
        {
            return null;
        }

        var values = tags.Properties()
            .ToDictionary(tag => tag.Name, tag => Limited(tag.Value, LongestWord), StringComparer.Ordinal);
        if (values.Count > MostTags || values.Keys.Any(tag => tag.Length > LongestWord))
        {
            tags.Wrong(
                "this is too much for one tap",
                $"write at most {MostTags} tags, each name at most {LongestWord} characters"
            );
        }

        return values;
    }
}
