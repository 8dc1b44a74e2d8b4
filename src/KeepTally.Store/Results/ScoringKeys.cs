using KeepTally.Core.Events;
using KeepTally.Core.Formats;

namespace KeepTally.Store.Results;

/// <summary>The key of comparable results: the card's scoring, its stage and its house rules.</summary>
internal sealed class ScoringKeys
{
    private readonly Dictionary<string, string> _prints = new(StringComparer.Ordinal);

    /// <param name="card">The card's own text.</param>
    /// <param name="head">The head of the log: drill, stage, rules and units.</param>
    internal string Of(string card, LogHead head)
    {
        if (!_prints.TryGetValue(card, out var print))
        {
            _prints[card] = print = ScoringPrint.Of(card);
        }

        var rules = head.Options.OrderBy(option => option.Key, StringComparer.Ordinal);
        return $"{head.Drill}\n{head.Stage}\n{string.Join(',', rules.Select(option => $"{option.Key}={option.Value}"))}\n{print}";
    }
}
