using KeepTally.Core.Clock;

namespace KeepTally.Core.Events.Fields;

/// <summary>The intervals of a clock that can be skipped, by their words in the log.</summary>
internal static class IntervalWords
{
    internal static readonly (string Word, IntervalKind Kind)[] All =
    [
        ("work", IntervalKind.Work),
        ("change", IntervalKind.Change),
        ("break", IntervalKind.Break),
    ];

    internal static string Of(IntervalKind kind) => All.First(each => each.Kind == kind).Word;
}
