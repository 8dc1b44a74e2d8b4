using BenchmarkDotNet.Attributes;
using KeepTally.Core.Formats;
using KeepTally.Core.Sheets;

namespace KeepTally.Bench;

/// <summary>Folding a long log onto a fresh sheet. The bar is ten million events a second on one core, nothing allocated per tap.</summary>
[MemoryDiagnoser]
public class FoldBenchmark
{
    private const int Taps = 100_000;

    private const string Points = """
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

    private RunEvent[] _events = [];

    [Params("points", "gates", "match", "tags")]
    public string Card { get; set; } = "points";

    [GlobalSetup]
    public void SetUp()
    {
        var chance = new Random(1);
        string[] outcomes = ["clean", "goal", "miss"];
        string[] units = ["a", "b", "c", "d"];
        var finishes = new[] { "high", "low", "lob" }
            .Select(finish => new Dictionary<string, string> { ["finish"] = finish })
            .ToArray();
        _events =
        [
            new RunEvent.Start(new EventId("x", 1), 0),
            .. Enumerable
                .Range(2, Taps)
                .Select(n => new RunEvent.Tap(
                    new EventId("x", n),
                    n,
                    units[chance.Next(4)],
                    outcomes[chance.Next(3)],
                    null,
                    Card == "tags" ? finishes[chance.Next(3)] : null,
                    null
                )),
        ];
    }

    [Benchmark(OperationsPerInvoke = Taps)]
    public SheetReport Fold()
    {
        var sheet = Open();
        foreach (var said in _events)
        {
            sheet.Apply(said);
        }

        return sheet.Report(Taps);
    }

    private Sheet Open()
    {
        var card = CardReader
            .Read(
                Card switch
                {
                    "gates" => Gates,
                    "match" => Match,
                    "tags" => Tags,
                    _ => Points,
                }
            )
            .Sure();
        var units = new[] { "a", "b", "c", "d" }.Select(id => new Unit(id, id, []));
        return Sheet.Open(card, new LogHead("d", 0, card.Chosen, [.. units])).Sure();
    }
}
