using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>Teaching stops in words.</summary>
public static class StopWords
{
    /// <summary>"spacing twice, 0:40; timing once, 0:10"; empty where there was none.</summary>
    public static string Of(IReadOnlyList<FreezeReport> stops) =>
        string.Join("; ", stops.Select(stop => $"{NameOf(stop)} {Phrase.Times(stop.Count)}, {Phrase.Clock(stop.Stood)}"));

    /// <summary>How long the stops took in all.</summary>
    public static Duration Total(IReadOnlyList<FreezeReport> stops) =>
        stops.Aggregate(Duration.Zero, (total, stop) => total + stop.Stood);

    /// <summary>The stops of several sheets or drills as one list, each reason once, in the order they first came.</summary>
    public static IReadOnlyList<FreezeReport> Together(IEnumerable<FreezeReport> stops) =>
        [
            .. stops
                .GroupBy(stop => stop.Reason, StringComparer.Ordinal)
                .Select(each => new FreezeReport(
                    each.Key,
                    each.Sum(stop => stop.Count),
                    each.Aggregate(Duration.Zero, (total, stop) => total + stop.Stood)
                )),
        ];

    private static string NameOf(FreezeReport stop) => stop.Reason.Length == 0 ? "no reason given" : stop.Reason;
}
