using System.Globalization;

namespace KeepTally.Core.Json;

/// <summary>
/// A part of a JSON Schema (2020-12), as its text. Whatever stands within the stages of a card may also be the name of a house
/// rule, and what may be left out may also be null: the parts made here allow both.
/// </summary>
/// <param name="Text">The JSON text of the schema.</param>
public readonly record struct Schema(string Text)
{
    private const string HouseRule = """{"$ref":"#/$defs/houseRule"}""";

    /// <summary>Any text.</summary>
    public static Schema AnyText { get; } = new("""{"type":"string"}""");

    /// <summary>A text that is not empty.</summary>
    public static Schema FilledText { get; } = new("""{"type":"string","minLength":1}""");

    /// <summary>A text of one character.</summary>
    public static Schema OneCharacter { get; } = OrHouseRule("""{"type":"string","minLength":1,"maxLength":1}""");

    /// <summary>True or false.</summary>
    public static Schema Boolean { get; } = new("""{"type":"boolean"}""");

    /// <summary>A list of texts.</summary>
    public static Schema Texts { get; } = List(AnyText);

    /// <summary>Any number.</summary>
    public static Schema AnyNumber { get; } = OrHouseRule("""{"type":"number"}""");

    /// <summary>A whole number from <paramref name="least"/> to <paramref name="most"/>, or without an upper bound; or a house rule.</summary>
    public static Schema Whole(int least, int? most = null) => OrHouseRule(PlainWhole(least, most).Text);

    /// <summary>A number from <paramref name="least"/> to <paramref name="most"/>, or without an upper bound; or a house rule.</summary>
    public static Schema Number(double least, double? most = null) => OrHouseRule(PlainNumber(least, most).Text);

    /// <summary>A whole number where no house rule can stand.</summary>
    public static Schema PlainWhole(int least, int? most = null) => Bounded("integer", least, most);

    /// <summary>A number where no house rule can stand.</summary>
    public static Schema PlainNumber(double least, double? most = null) => Bounded("number", least, most);

    /// <summary>One of the words of a closed choice.</summary>
    public static Schema OneOf(Choices choices) => OneOf(choices.All.Select(choice => choice.Word));

    /// <summary>One of some words.</summary>
    public static Schema OneOf(IEnumerable<string> words) =>
        OrHouseRule($$"""{"enum":[{{string.Join(',', words.Select(word => $"\"{word}\""))}}]}""");

    /// <summary>A list of items that are alike.</summary>
    public static Schema List(Schema item) => new($$"""{"type":"array","items":{{item.Text}}}""");

    /// <summary>An object whose properties are named by the card and have values that are alike.</summary>
    public static Schema Map(Schema value) => new($$"""{"type":"object","additionalProperties":{{value.Text}}}""");

    /// <summary>An object that has these properties and no others.</summary>
    public static Schema Object(params ReadOnlySpan<SchemaProperty> properties)
    {
        var (all, needed) = (new List<string>(), new List<string>());
        foreach (var property in properties)
        {
            all.Add($"\"{property.Name}\":{(property.IsNeeded ? property.Value : property.Value.OrNull()).Text}");
            if (property.IsNeeded)
            {
                needed.Add($"\"{property.Name}\"");
            }
        }

        var required = needed.Count > 0 ? $",\"required\":[{string.Join(',', needed)}]" : "";
        return new($$"""{"type":"object","properties":{{{string.Join(',', all)}}},"additionalProperties":false{{required}}}""");
    }

    /// <summary>The same, where it and every object in it may have other properties too.</summary>
    public Schema Open() =>
        new(Text.Replace("\"additionalProperties\":false", "\"additionalProperties\":true", StringComparison.Ordinal));

    /// <summary>One of several schemas.</summary>
    public static Schema Any(params ReadOnlySpan<Schema> schemas) => new($$"""{"anyOf":[{{Joined(schemas)}}]}""");

    /// <summary>Exactly one of several schemas.</summary>
    public static Schema One(params ReadOnlySpan<Schema> schemas) => new($$"""{"oneOf":[{{Joined(schemas)}}]}""");

    /// <summary>A part of the schema that has a name.</summary>
    public static Schema Named(string name) => new($$"""{"$ref":"#/$defs/{{name}}"}""");

    /// <summary>The same map with one entry at least.</summary>
    public Schema WithSome() => new($"{Text[..^1]},\"minProperties\":1}}");

    /// <summary>The same list with one item at least.</summary>
    public Schema AtLeastOne() => new($"{Text[..^1]},\"minItems\":1}}");

    /// <summary>The same with a sentence that says what it is.</summary>
    public Schema Described(string description) =>
        new($"{Text[..^1]},\"description\":\"{description.Replace("\"", "\\\"", StringComparison.Ordinal)}\"}}");

    private Schema OrNull() => new($$"""{"anyOf":[{{Text}},{"type":"null"}]}""");

    private static Schema Bounded(string type, double least, double? most) =>
        new($$"""{"type":"{{type}}","minimum":{{Figure(least)}}{{(most is { } bound ? $",\"maximum\":{Figure(bound)}" : "")}}}""");

    private static Schema OrHouseRule(string schema) => new($$"""{"anyOf":[{{schema}},{{HouseRule}}]}""");

    private static string Joined(ReadOnlySpan<Schema> schemas)
    {
        var texts = new string[schemas.Length];
        for (var i = 0; i < texts.Length; i++)
        {
            texts[i] = schemas[i].Text;
        }

        return string.Join(',', texts);
    }

    private static string Figure(double number) => number.ToString("R", CultureInfo.InvariantCulture);
}

/// <summary>A property of an object in a schema.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Value">What it may hold.</param>
/// <param name="IsNeeded">Whether it may not be left out.</param>
public readonly record struct SchemaProperty(string Name, Schema Value, bool IsNeeded = false);
