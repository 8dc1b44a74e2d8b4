using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Tagging;

namespace KeepTally.Core.Scoring;

/// <summary>The tags that a tap of a stage may carry: those it lists, and those its limits use.</summary>
public static class KnownTags
{
    /// <summary>Each tag with its values; none where any value will do.</summary>
    public static IReadOnlyDictionary<string, IReadOnlyCollection<string>> Of(Stage stage)
    {
        var known = stage.Limits.ToDictionary(limit => limit.Tag, _ => (IReadOnlyCollection<string>)[], StringComparer.Ordinal);
        foreach (var kind in stage.Tags)
        {
            known[kind.Id] = [.. kind.Values.Select(value => value.Key)];
        }

        return known;
    }
}
