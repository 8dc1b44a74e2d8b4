using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace KeepTally.Core.Json;

/// <summary>
/// A part of a JSON Schema (2020-12). Whatever stands within the stages of a card may also be the name of a house rule, and what may be
/// left out may also be null: the parts made here allow both. It is made when its text is asked for: a phone never asks.
/// </summary>
public readonly struct Schema
{
    private static readonly JsonSerializerOptions Relaxed = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    private readonly Func<JsonObject>? _make;

    private Schema(Func<JsonObject> make) => _make = make;

    private Func<JsonObject> Make => _make ?? throw new InvalidOperationException("This schema is empty.");

    /// <summary>Whether it says nothing at all.</summary>
    public bool IsEmpty => _make is null;

    /// <summary>A plain schema, such as <c>("type", "string")</c>.</summary>
    private static Schema Of(params (string Name, Func<JsonNode> Value)[] properties) =>
        new(() =>
        {
            var made = new JsonObject();
            foreach (var (name, value) in properties)
            {
                made.Add(name, value());
            }

            return made;
        });

    /// <summary>The JSON text of the schema.</summary>
    public string Text => Make().ToJsonString(Relaxed);

    /// <summary>Any text.</summary>
    public static Schema AnyText => Typed("string");

    /// <summary>A text that is not empty.</summary>
    public static Schema FilledText => Typed("string").With("minLength", () => 1);

    /// <summary>A text of one character.</summary>
    public static Schema OneCharacter => TextOf(1, 1).OrHouseRule();

    /// <summary>True or false.</summary>
    public static Schema Boolean => Typed("boolean");

    /// <summary>A list of texts.</summary>
    public static Schema Texts => List(AnyText);

    /// <summary>Any number.</summary>
    public static Schema AnyNumber => PlainAnyNumber.OrHouseRule();

    /// <summary>Any number where no house rule can stand.</summary>
    public static Schema PlainAnyNumber => Typed("number");

    /// <summary>This text and no other.</summary>
    public static Schema Const(string text) => Of(("const", () => text));

    /// <summary>A text of a form.</summary>
    /// <param name="pattern">The regular expression it meets.</param>
    public static Schema TextLike(string pattern) => Typed("string").With("pattern", () => pattern);

    /// <summary>A text of a length.</summary>
    public static Schema TextOf(int longest, int shortest = 0)
    {
        var text = shortest > 0 ? Typed("string").With("minLength", () => shortest) : Typed("string");
        return text.With("maxLength", () => longest);
    }

    /// <summary>A whole number from <paramref name="least"/> to <paramref name="most"/>, or without an upper bound; or a house rule.</summary>
    public static Schema Whole(int least, int? most = null) => PlainWhole(least, most).OrHouseRule();

    /// <summary>A number from <paramref name="least"/> to <paramref name="most"/>, or without an upper bound; or a house rule.</summary>
    public static Schema Number(double least, double? most = null) => PlainNumber(least, most).OrHouseRule();

    /// <summary>A whole number where no house rule can stand.</summary>
    public static Schema PlainWhole(long least, long? most = null) => Bounded("integer", least, most);

    /// <summary>A number where no house rule can stand.</summary>
    public static Schema PlainNumber(double least, double? most = null) => Bounded("number", least, most);

    /// <summary>One of the words of a closed choice.</summary>
    public static Schema OneOf(Choices choices) => OneOf(choices.All.Select(choice => choice.Word));

    /// <summary>One of some words; or a house rule.</summary>
    public static Schema OneOf(IEnumerable<string> words) => PlainOneOf(words).OrHouseRule();

    /// <summary>One of some words where no house rule can stand.</summary>
    public static Schema PlainOneOf(IEnumerable<string> words) =>
        Of(("enum", () => new JsonArray([.. words.Select(word => JsonValue.Create(word))])));

    /// <summary>Any list.</summary>
    public static Schema AnyList => Typed("array");

    /// <summary>A list of items that are alike.</summary>
    public static Schema List(Schema item) => Typed("array").With("items", item.Make);

    /// <summary>An object whose properties are named by the card and have values that are alike.</summary>
    public static Schema Map(Schema value) => Typed("object").With("additionalProperties", value.Make);

    /// <summary>An object that has these properties and no others.</summary>
    public static Schema Object(params SchemaProperty[] properties)
    {
        var made = Typed("object").With("properties", () => Properties(properties)).With("additionalProperties", () => false);
        return properties.Any(property => property.IsNeeded)
            ? made.With(
                "required",
                () =>
                    new JsonArray([
                        .. properties.Where(property => property.IsNeeded).Select(property => JsonValue.Create(property.Name)),
                    ])
            )
            : made;
    }

    /// <summary>The same, where it and every object in it may have other properties too.</summary>
    public Schema Open()
    {
        var make = Make;
        return new Schema(() =>
        {
            var open = make();
            Opened(open);
            return open;
        });
    }

    /// <summary>One of several schemas.</summary>
    public static Schema Any(params Schema[] schemas) => Of(("anyOf", () => ListOf(schemas)));

    /// <summary>Exactly one of several schemas.</summary>
    public static Schema One(params Schema[] schemas) => Of(("oneOf", () => ListOf(schemas)));

    /// <summary>What does not fit a schema.</summary>
    public static Schema Not(Schema schema) => Of(("not", schema.Make));

    /// <summary>A part of the schema that has a name.</summary>
    public static Schema Named(string name) => Of(("$ref", () => $"#/$defs/{name}"));

    /// <summary>A schema as it is published.</summary>
    /// <param name="format">What it is known by, such as <c>drill@1</c>.</param>
    /// <param name="title">What it is called.</param>
    /// <param name="description">What it is, in a sentence or two.</param>
    public Schema Published(string format, string title, string description)
    {
        var make = Make;
        return new Schema(() =>
        {
            var published = new JsonObject
            {
                ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
                ["$id"] = $"urn:keep-tally:{format}",
                ["title"] = title,
                ["description"] = description,
            };
            foreach (var (name, value) in make().ToArray())
            {
                published[name] = value?.DeepClone();
            }

            return published;
        });
    }

    /// <summary>The same with the parts it names.</summary>
    public Schema Defining(params (string Name, Schema Schema)[] definitions) =>
        With(
            "$defs",
            () => new JsonObject(definitions.Select(each => KeyValuePair.Create(each.Name, (JsonNode?)each.Schema.Make())))
        );

    /// <summary>The same map with one entry at least.</summary>
    public Schema WithSome() => With("minProperties", () => 1);

    /// <summary>The same list with one item at least.</summary>
    public Schema AtLeastOne() => With("minItems", () => 1);

    /// <summary>The same list with so many items at most.</summary>
    public Schema AtMost(int items) => With("maxItems", () => items);

    /// <summary>The same map with so many entries at most.</summary>
    public Schema WithAtMost(int entries) => With("maxProperties", () => entries);

    /// <summary>The same with a sentence that says what it is.</summary>
    public Schema Described(string description) => With("description", () => description);

    private Schema With(string name, Func<JsonNode> value)
    {
        var make = Make;
        return new Schema(() =>
        {
            var made = make();
            made[name] = value();
            return made;
        });
    }

    private Schema OrNull() => Any(this, Typed("null"));

    private Schema OrHouseRule() => Any(this, Named("houseRule"));

    private static Schema Typed(string type) => Of(("type", () => type));

    private static Schema Bounded(string type, double least, double? most)
    {
        var bounded = Typed(type).With("minimum", () => least);
        return most is { } bound ? bounded.With("maximum", () => bound) : bounded;
    }

    private static JsonObject Properties(SchemaProperty[] properties) =>
        new(
            properties.Select(property =>
                KeyValuePair.Create(
                    property.Name,
                    (JsonNode?)(property.IsNeeded || property.IsNeverNull ? property.Value : property.Value.OrNull()).Make()
                )
            )
        );

    private static JsonArray ListOf(Schema[] schemas) => new([.. schemas.Select(schema => schema.Make())]);

    private static void Opened(JsonNode? node)
    {
        if (node is JsonObject one)
        {
            if (one["additionalProperties"]?.GetValueKind() == JsonValueKind.False)
            {
                one["additionalProperties"] = true;
            }

            foreach (var (_, value) in one)
            {
                Opened(value);
            }
        }
        else if (node is JsonArray several)
        {
            foreach (var item in several)
            {
                Opened(item);
            }
        }
    }
}

/// <summary>A property of an object in a schema.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Value">What it may hold.</param>
/// <param name="IsNeeded">Whether it may not be left out.</param>
public readonly record struct SchemaProperty(string Name, Schema Value, bool IsNeeded = false)
{
    /// <summary>Whether it is left out and never null where it says nothing.</summary>
    public bool IsNeverNull { get; init; }
}
