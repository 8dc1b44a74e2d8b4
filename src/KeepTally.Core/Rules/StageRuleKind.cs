using KeepTally.Core.Json;

namespace KeepTally.Core.Rules;

/// <summary>
/// Everything about a kind of rule that does not hang on a card: the property that holds it, how it is read, its part of the
/// schema, and what the editor needs. The constructor asks for each of them, so that none is forgotten.
/// </summary>
public sealed class StageRuleKind
{
    /// <param name="property">The property of the stage that holds the rule.</param>
    /// <param name="label">What the editor calls it.</param>
    /// <param name="template">What the editor begins it as: the JSON text of the property's value.</param>
    /// <param name="schema">What the property may hold.</param>
    /// <param name="read">
    /// Reads the rule from its stage and adds what is wrong with it to the faults; null where the stage has no such rule.
    /// </param>
    internal StageRuleKind(string property, string label, string template, Schema schema, Func<JsonPlace, StageRule?> read)
    {
        (Property, Label, Template, Schema, Read) = (property, label, template, schema, read);
        Parts = new Dictionary<string, string> { [property] = template };
    }

    /// <summary>The property of the stage that holds the rule.</summary>
    public string Property { get; }

    /// <summary>The label in the editor.</summary>
    public string Label { get; }

    /// <summary>The template of the editor: the JSON text of the property's value.</summary>
    public string Template { get; }

    /// <summary>The schema of the property.</summary>
    public Schema Schema { get; }

    /// <summary>Templates for the rule or a part of it, by name: JSON texts.</summary>
    public IReadOnlyDictionary<string, string> Parts { get; init; }

    /// <summary>Its closed choices.</summary>
    public IReadOnlyList<Choices> Choices { get; init; } = [];

    /// <summary>Its properties whose value here, as JSON, means the same as leaving them out.</summary>
    public IReadOnlyList<(string Property, string Json)> Defaults { get; init; } = [];

    /// <summary>Its properties that hold wording only and decide no score.</summary>
    public IReadOnlyList<string> Wording { get; init; } = [];

    /// <summary>Its plain properties, for the editor; empty where the editor has a form of its own for the rule.</summary>
    public IReadOnlyList<RuleField> Fields { get; init; } = [];

    internal Func<JsonPlace, StageRule?> Read { get; }

    /// <summary>Named definitions its schema refers to.</summary>
    public IReadOnlyList<(string Name, Schema Schema)> Definitions { get; init; } = [];
}

/// <summary>One property of a rule as a field of the editor.</summary>
/// <param name="Property">The property of the rule.</param>
/// <param name="Label">What stands beside the field.</param>
/// <param name="Choices">What can be chosen; null where it is a number.</param>
public sealed record RuleField(string Property, string Label, Choices? Choices = null);
