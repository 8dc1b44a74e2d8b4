using KeepTally.Core.Json;

namespace KeepTally.Core.Rules.Endings;

/// <summary>
/// Everything about a kind of ending that does not hang on a card. The constructor asks for each part, so that none is
/// forgotten.
/// </summary>
public sealed class EndingKind
{
    /// <param name="property">The property of the ending that holds its number; it tells the kinds apart.</param>
    /// <param name="label">What the editor calls what is counted.</param>
    /// <param name="template">The number the editor begins with, as JSON.</param>
    /// <param name="amount">What its number may be.</param>
    /// <param name="read">Reads it from the place of its number and that of the whole ending.</param>
    internal EndingKind(string property, string label, string template, Schema amount, Func<JsonPlace, JsonPlace, Ending> read) =>
        (Property, Label, Template, Amount, Read) = (property, label, template, amount, read);

    /// <summary>The property of the ending that holds its number; it tells the kinds apart.</summary>
    public string Property { get; }

    /// <summary>The editor's label for the count.</summary>
    public string Label { get; }

    /// <summary>The number the editor begins with, as JSON.</summary>
    public string Template { get; }

    /// <summary>The bounds of its number.</summary>
    public Schema Amount { get; }

    /// <summary>Its other properties.</summary>
    public IReadOnlyList<EndingField> Fields { get; init; } = [];

    internal Func<JsonPlace, JsonPlace, Ending> Read { get; }
}

/// <summary>A property of an ending besides its number.</summary>
/// <param name="Field">The property and its label.</param>
/// <param name="Schema">What it may hold.</param>
/// <param name="Default">What it means where it is left out, as JSON.</param>
public sealed record EndingField(RuleField Field, Schema Schema, string Default);
