using System.Text.Json;
using System.Text.Json.Nodes;
using KeepTally.Core.Circuits;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Browser.Tests;

/// <summary>
/// A practice as a run screen has it open, and what it asks of the bridge; answers as the script gets them. Seconds here,
/// milliseconds there. The bridge holds one practice at a time, so tests on it stand in one collection.
/// </summary>
internal static class Screen
{
    private static readonly JsonSerializerOptions Camel = new(JsonSerializerDefaults.Web);

    internal static void Open(params RunFile[] runs) => OpenWith(new { runs });

    /// <summary>Opens a practice as the server writes it, with whatever it holds besides its runs.</summary>
    internal static void OpenWith(object practice) =>
        Assert.Equal("", Bridge.Open(JsonSerializer.Serialize(practice, Camel), "me", ""));

    internal static string Shipped(string card) =>
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "shipped", $"{card}.json"));

    /// <summary>
    /// A drill with a sheet for each group, and everyone else on its bench; players by name, ids are the names in small
    /// letters.
    /// </summary>
    internal static RunFile Drill(string card, string[][] groups, params string[] bench)
    {
        var text = Shipped(card);
        var read = CardReader.Read(text).Require();
        return new RunFile(
            read.Name,
            text,
            [
                .. groups.Select(
                    (group, index) =>
                        Sheet($"{card}-{"ABCD"[index]}", $"{"ABCD"[index]}", card, group, Others(groups, group, bench))
                ),
            ]
        );
    }

    /// <summary>A match of two sides on one sheet.</summary>
    internal static RunFile Match(string card, string[] plain, string[] striped, params string[] bench)
    {
        var text = Shipped(card);
        var read = CardReader.Read(text).Require();
        Unit[] units =
        [
            .. read.Stages[0]
                .Sides.Zip([plain, striped], (side, players) => new Unit(new PlayerId(side), side, [.. players.Select(Of)])),
        ];
        var head = new LogHead(
            card,
            0,
            new Dictionary<string, string>(),
            units,
            Bench: [.. bench.Select(Of)],
            CountIn: new Duration(0)
        );
        return new RunFile(read.Name, text, [new SheetFile(card, "", HeadReader.Write(head), [])]);
    }

    /// <summary>A circuit of ten seconds at each station and five to change, counted in for five; every group a sheet at every stop.</summary>
    internal static RunFile Circuit(string[] cards, string[][] groups, params string[] bench)
    {
        var way = new Circuit(groups.Length, cards.Length, false);
        var clock = CircuitCard.Write("Circuit", 10, 5, way.Rounds);
        var units = groups.Select(
            (group, index) => new Unit(new PlayerId($"g{index + 1}"), $"Group {"ABCD"[index]}", [.. group.Select(Of)])
        );
        var sheets = new List<SheetFile>
        {
            new("clock", "", HeadReader.Write(new LogHead(CircuitCard.Id, 0, new Dictionary<string, string>(), [.. units])), []),
        };
        // As the server writes it: a card stands where it is first needed.
        var brought = new Dictionary<string, string>();
        for (var round = 0; round < way.Rounds; round++)
        {
            for (var group = 0; group < groups.Length; group++)
            {
                if (way.StationOf(group, round) is { } at)
                {
                    var read = CardReader.Read(Shipped(cards[at])).Require();
                    var id = $"{round + 1}{"ABCD"[group]}";
                    sheets.Add(
                        Sheet(id, read.Name, cards[at], groups[group], Others(groups, groups[group], bench)) with
                        {
                            Card = brought.TryAdd(cards[at], id) ? Shipped(cards[at]) : null,
                            CardOf = brought[cards[at]],
                            Stop = new CircuitStop(round + 1, at, group),
                        }
                    );
                }
            }
        }

        return new RunFile("Circuit", clock, sheets);
    }

    internal static SheetFile Sheet(string id, string name, string card, string[] players, string[] bench) =>
        new(
            id,
            name,
            HeadReader.Write(
                new LogHead(
                    card,
                    0,
                    new Dictionary<string, string>(),
                    [.. players.Select(player => new Unit(new PlayerId(Id(player)), player, []))],
                    Bench: [.. bench.Select(Of)],
                    CountIn: new Duration(0)
                )
            ),
            []
        );

    private static string[] Others(string[][] groups, string[] group, string[] bench) =>
        [.. groups.SelectMany(each => each).Except(group).Concat(bench)];

    internal static string Id(string name) => name.ToLowerInvariant().Replace(' ', '-');

    internal static JsonNode View(double seconds) => Parsed(Bridge.View(seconds * 1000));

    internal static JsonNode Sheet(int index, double seconds) => View(seconds)["run"]!["sheets"]![index]!;

    internal static JsonNode Who(double seconds) => Parsed(Bridge.Who(seconds * 1000));

    internal static JsonArray Boards(double seconds) => Parsed(Bridge.Boards(seconds * 1000)).AsArray();

    internal static JsonArray Signals(double from, double to) => Parsed(Bridge.Signals(from * 1000, to * 1000)).AsArray();

    internal static JsonNode Say(string word, double seconds, string reason = "") =>
        Heard(Bridge.Execute(word, reason, seconds * 1000));

    internal static JsonNode Tap(string sheet, string player, string outcome, double seconds) =>
        Heard(Bridge.Tap(sheet, Id(player), outcome, null, "", double.NaN, "", double.NaN, seconds * 1000));

    internal static JsonNode? Amendable(JsonNode of) =>
        Bridge.Amendable((string)of["sheet"]!, (string)of["device"]!, (int)of["n"]!) is { Length: > 0 } view ? Parsed(view) : null;

    internal static JsonNode Amend(JsonNode of, double seconds, string unit = "", string outcome = "", bool counts = false) =>
        Heard(
            Bridge.Amend(
                (string)of["sheet"]!,
                (string)of["device"]!,
                (int)of["n"]!,
                Id(unit),
                outcome,
                "",
                "",
                "",
                counts,
                seconds * 1000
            )
        );

    internal static JsonNode Note(string text, string unit, double seconds) => Heard(Bridge.Note(text, Id(unit), seconds * 1000));

    internal static JsonNode Change(string? off, string? comes, double seconds, string? sheet = null) =>
        Heard(
            Bridge.ChangeRoster(
                JsonSerializer.Serialize(
                    new
                    {
                        off = off is null ? null : Id(off),
                        @in = comes is null ? null : Id(comes),
                        sheet,
                    }
                ),
                seconds * 1000
            )
        );

    internal static JsonNode Look(double seconds) => Parsed(Bridge.Look(seconds * 1000));

    /// <summary>What the clock calls for by then.</summary>
    internal static JsonArray Due(double seconds) => Look(seconds)["due"]?.AsArray() ?? [];

    internal static string Hear(string sheet, string line)
    {
        var id = JsonNode.Parse(line)!;
        return Bridge.Receive(sheet, (string)id["device"]!, (int)id["n"]!, line);
    }

    internal static JsonNode Undo(JsonNode said, double seconds)
    {
        var of = said["events"]![0]!;
        return Heard(Bridge.Undo((string)of["sheet"]!, (string)of["device"]!, (int)of["n"]!, seconds * 1000));
    }

    /// <summary>The people of a sheet as the coach reads them: "Ada shooter to rebounder".</summary>
    internal static string[] People(JsonNode sheet) =>
        [.. sheet["people"]!.AsArray().Select(each => $"{each!["name"]} {each["here"]} to {each["next"]}")];

    private static Member Of(string name) => new(new PlayerId(Id(name)), name);

    /// <summary>What came of something said, as the script reads it.</summary>
    internal static JsonNode Heard(string text)
    {
        var lines = text.Split('\n');
        return new JsonObject
        {
            ["refused"] = lines[0].Length == 0 ? null : lines[0],
            ["why"] = lines[1],
            ["mark"] = lines[2],
            ["events"] = new JsonArray([
                .. lines
                    .Skip(3)
                    .Chunk(4)
                    .Select(each => new JsonObject
                    {
                        ["sheet"] = each[0],
                        ["device"] = each[1],
                        ["n"] = int.Parse(each[2], System.Globalization.CultureInfo.InvariantCulture),
                        ["line"] = each[3],
                    }),
            ]),
        };
    }

    private static JsonNode Parsed(string json) => JsonNode.Parse(json)!;
}
