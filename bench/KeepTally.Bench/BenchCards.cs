using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Bench;

/// <summary>Cards of different rules, and long logs for them: the same every time.</summary>
internal static class BenchCards
{
    internal const string Points = """
        {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"outcomes":[
          {"id":"clean","result":"success","points":2},{"id":"goal","result":"success","points":1},{"id":"miss","result":"failure"}]}]}
        """;

    private const string Gates = """
        {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"until":[{"seconds":86400}],
          "ladder":{"rungs":["l","m","r"],"laps":1000,"pass":{"successes":5,"of":7,"stop":"both"}},"outcomes":[
          {"id":"clean","result":"success","points":2},{"id":"goal","result":"success","points":1},{"id":"miss","result":"failure"}]}]}
        """;

    private const string Match = """
        {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"scores":"side","play":"match","sides":["a","b","c","d"],"ball":"a",
          "until":[{"points":1000000,"lead":2},{"attempts":1000000}],"outcomes":[
          {"id":"clean","result":"success","points":{"self":2,"other":-1}},{"id":"goal","result":"success","points":1},
          {"id":"miss","result":"failure","does":["turnOver"]}]}]}
        """;

    private const string Tags = """
        {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"until":[{"attempts":1000000}],
          "tags":{"finish":{"label":"Finish","values":{"high":"High","low":"Low","lob":"Lob"}}},"limits":[{"tag":"finish","within":1}],"outcomes":[
          {"id":"clean","result":"success","points":2},{"id":"goal","result":"success","points":1},{"id":"miss","result":"failure"}]}]}
        """;

    private static readonly string[] Units = ["a", "b", "c", "d"];
    private static readonly string[] Outcomes = ["clean", "goal", "miss"];

    internal static IReadOnlyList<string> Names { get; } = ["points", "gates", "match", "tags"];

    internal static DrillCard Card(string name) =>
        CardReader
            .Read(
                name switch
                {
                    "gates" => Gates,
                    "match" => Match,
                    "tags" => Tags,
                    _ => Points,
                }
            )
            .Require();

    internal static LogHead Head(DrillCard card) =>
        new("d", 0, card.Chosen, [.. Units.Select(id => new Unit(new PlayerId(id), id, []))]);

    internal static Score Open(string name)
    {
        var card = Card(name);
        return Score.Open(card, Head(card)).Require();
    }

    internal static Sheet Live(string name)
    {
        var card = Card(name);
        return Sheet.Open(card, Head(card)).Require();
    }

    /// <summary>A start, and then a tap a millisecond.</summary>
    internal static RunEvent[] Events(int taps, bool tagged = false, string device = "x")
    {
        var chance = new Random(1);
        var finishes = new[] { "high", "low", "lob" }
            .Select(finish => new Dictionary<string, string> { ["finish"] = finish })
            .ToArray();
        return
        [
            new RunEvent.Start(new EventId(new DeviceId(device), 1), new Instant(0)),
            .. Enumerable
                .Range(2, taps)
                .Select(n => new RunEvent.Tap(
                    new EventId(new DeviceId(device), n),
                    new Instant(n),
                    new PlayerId(Units[chance.Next(4)]),
                    Outcomes[chance.Next(3)],
                    null,
                    tagged ? finishes[chance.Next(3)] : null,
                    null
                )),
        ];
    }
}
