using BenchmarkDotNet.Attributes;
using KeepTally.Core.Events;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Bench;

/// <summary>Folding a long log onto a fresh sheet, with what it allocates: <c>-- --filter '*Fold*'</c>.</summary>
[MemoryDiagnoser]
public class FoldBenchmark
{
    private const int Taps = 100_000;
    private RunEvent[] _events = [];

    [Params("points", "gates", "match", "tags")]
    public string Card { get; set; } = "points";

    [GlobalSetup]
    public void SetUp() => _events = BenchCards.Events(Taps, Card == "tags");

    [Benchmark(OperationsPerInvoke = Taps)]
    public ScoreReport Fold()
    {
        var sheet = BenchCards.Open(Card);
        foreach (var runEvent in _events)
        {
            sheet.Apply(runEvent);
        }

        return sheet.Report(new Instant(Taps));
    }
}
