using System.Text.Json;
using KeepTally.Core.Clock;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events;

/// <summary>Reads and writes the head of a log, <c>keep-tally/log@1</c>. Source: docs/formats.md, section 2.</summary>
public static class HeadReader
{
    /// <summary>The name and version of the format.</summary>
    public const string Format = "keep-tally/log@1";

    internal const int MostNumber = 999;

    /// <summary>The head of a log, or every fault in it.</summary>
    public static Result<LogHead> Read(string json)
    {
        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        var head = document is null ? null : Read(JsonPlace.Root(document.RootElement, faults));
        return head is not null && faults.Count == 0 ? Result<LogHead>.Ok(head) : Result<LogHead>.Fail(faults);
    }

    /// <summary>The line of a head, without a line break.</summary>
    public static string Write(LogHead head) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteString("format", Format);
            json.WriteString("drill", head.Drill);
            json.WriteNumber("stage", head.Stage);
            json.WriteStartObject("options");
            foreach (var (option, choice) in head.Options)
            {
                json.WriteString(option, choice);
            }

            json.WriteEndObject();
            if (head.Seed != 0)
            {
                json.WriteNumber("seed", head.Seed);
            }

            if (head.CountIn is { } countIn)
            {
                json.WriteNumber("countIn", countIn.TotalSeconds);
            }

            json.WriteStartArray("units");
            foreach (var unit in head.Units)
            {
                json.WriteStartObject();
                json.WriteString("id", unit.Id.Value);
                json.WriteString("name", unit.Name);
                Number(json, unit.Number);
                if (unit.Players.Count > 0)
                {
                    Members(json, "players", unit.Players);
                }

                json.WriteEndObject();
            }

            json.WriteEndArray();
            if (head.Bench is { Count: > 0 } bench)
            {
                Members(json, "bench", bench);
            }

            json.WriteEndObject();
        });

    private static void Members(Utf8JsonWriter json, string name, IReadOnlyList<Member> members)
    {
        json.WriteStartArray(name);
        foreach (var player in members)
        {
            json.WriteStartObject();
            json.WriteString("id", player.Id.Value);
            json.WriteString("name", player.Name);
            Number(json, player.Number);
            json.WriteEndObject();
        }

        json.WriteEndArray();
    }

    private static void Number(Utf8JsonWriter json, int? number)
    {
        if (number is { } shirt)
        {
            json.WriteNumber("number", shirt);
        }
    }

    private static LogHead Read(JsonPlace place)
    {
        place.Only("format", "drill", "stage", "options", "seed", "units", "bench", "countIn");
        place.Need("format", $"\"format\": \"{Format}\"")?.OneOf((Format, true));
        var units = place.Need("units", "who carries a score")?.Items().Select(ReadUnit).ToArray() ?? [];
        if (units.Length == 0)
        {
            place.Find("units")?.Wrong("the list is empty", "write at least one unit");
        }

        place.NoTwice("units", units.Select(unit => unit.Id.Value));
        return new LogHead(
            place.NeedText("drill", "the id of the card"),
            place.Find("stage")?.Whole(0, 1000) ?? 0,
            place
                .Find("options")
                ?.Properties()
                .ToDictionary(option => option.Name, option => option.Value.Text(), StringComparer.Ordinal)
                ?? [],
            units,
            place.Find("seed")?.Whole(0, int.MaxValue) ?? 0,
            place.List("bench", ReadMember),
            place.Find("countIn") is { } countIn ? ClockReader.Span(countIn, 0) : null
        );
    }

    private static Unit ReadUnit(JsonPlace place)
    {
        place.Only("id", "name", "players", "number");
        var id = place.NeedText("id", "a short id such as \"p1\"");
        return new Unit(new PlayerId(id), place.TextOr("name", id), place.List("players", ReadMember), ReadNumber(place));
    }

    private static Member ReadMember(JsonPlace place)
    {
        place.Only("id", "name", "number");
        var id = place.NeedText("id", "a short id such as \"p1\"");
        return new Member(new PlayerId(id), place.TextOr("name", id), ReadNumber(place));
    }

    private static int? ReadNumber(JsonPlace place) => place.Find("number")?.Whole(0, MostNumber);
}
