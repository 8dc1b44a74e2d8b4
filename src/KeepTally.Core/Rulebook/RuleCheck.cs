using KeepTally.Core.Rules;

namespace KeepTally.Core.Rulebook;

/// <summary>Finds the parts that a rule lacks, when a set is made and not when a coach meets it.</summary>
internal static class RuleCheck
{
    /// <summary>Each missing part in one sentence; none where the set is whole.</summary>
    internal static IEnumerable<string> Missing(RuleSet rules) =>
        rules
            .Stage.SelectMany(MissingIn)
            .Concat(rules.Effects.SelectMany(effect => Named("An effect", effect.Word, effect.Label)))
            .Concat(Twice(rules.Stage.Select(kind => kind.Property)))
            .Concat(Twice(rules.Effects.Select(effect => effect.Word)));

    private static IEnumerable<string> MissingIn(StageRuleKind kind)
    {
        foreach (var problem in Named("A rule of the stage", kind.Property, kind.Label))
        {
            yield return problem;
        }

        if (string.IsNullOrWhiteSpace(kind.Template))
        {
            yield return $"The rule \"{kind.Property}\" has no template for the editor to begin with.";
        }

        if (kind.Schema.IsEmpty)
        {
            yield return $"The rule \"{kind.Property}\" has no part in the schema.";
        }

        foreach (var (word, label) in kind.Choices.SelectMany(choices => choices.All))
        {
            foreach (var problem in Named($"A choice of the rule \"{kind.Property}\"", word, label))
            {
                yield return problem;
            }
        }
    }

    private static IEnumerable<string> Named(string what, string word, string label)
    {
        if (string.IsNullOrWhiteSpace(word))
        {
            yield return $"{what} has no name to be written by.";
        }

        if (string.IsNullOrWhiteSpace(label))
        {
            yield return $"{what}, \"{word}\", has no label for the editor.";
        }
    }

    private static IEnumerable<string> Twice(IEnumerable<string> names) =>
        names.GroupBy(name => name).Where(same => same.Count() > 1).Select(same => $"Two rules are named \"{same.Key}\".");
}
