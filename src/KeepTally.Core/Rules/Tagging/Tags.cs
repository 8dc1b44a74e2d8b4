using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Tagging;

/// <summary>The tags that a tap of a stage may carry. Source: docs/formats.md, section 1, "Stage", <c>tags</c>.</summary>
public sealed record Tags(IReadOnlyList<TagKind> Kinds) : StageRule
{
    /// <summary>How the rule stands on a card.</summary>
    public static StageRuleKind Kind { get; } =
        new(
            property: "tags",
            label: "Tags",
            template: """{"finish":{"label":"Finish","values":{"high":"High","low":"Low"}}}""",
            schema: Schema.Map(Schema.Named("tag")),
            read: Read
        )
        {
            Definitions =
            [
                (
                    "tag",
                    Schema.Object(
                        new SchemaProperty("label", Schema.AnyText),
                        new SchemaProperty("values", Schema.Map(Schema.AnyText).WithSome(), IsNeeded: true),
                        new SchemaProperty("next", Schema.OneOf(TagKind.Nexts))
                    )
                ),
            ],
            Choices = [TagKind.Nexts],
            Wording = [TagKind.Nexts.Property],
            Parts = new Dictionary<string, string> { ["tags"] = """{"label":"Finish","values":{"high":"High","low":"Low"}}""" },
        };

    /// <summary>"With each tap goes the finish (high, low or lob) and the side (left or right)."</summary>
    internal override IEnumerable<string> Words(Stage stage)
    {
        if (Kinds.Count > 0)
        {
            yield return Phrase.Sentence("with each tap goes " + Phrase.List([.. Kinds.Select(tag => Told(stage, tag))]));
            foreach (var tag in Kinds.Where(tag => tag.Next == TagNext.Alternates))
            {
                yield return Phrase.Sentence($"the {TagWords.Label(stage, tag.Id)} changes by itself from tap to tap");
            }
        }
    }

    internal override TapJudge? Judge(Stage stage) => Kinds.Count == 0 ? null : new TagJudge(this, stage);

    private static string Told(Stage stage, TagKind tag) =>
        $"the {TagWords.Label(stage, tag.Id)} ({Phrase.List([.. tag.Values.Select(value => Phrase.Small(value.Value))], "or")})";

    private static Tags Read(JsonPlace stage)
    {
        var kinds = new List<TagKind>();
        foreach (var (id, place) in stage.Find(Kind.Property)?.Properties() ?? [])
        {
            place.Only("label", "values", "next");
            var values = place
                .Need("values", "the values, each with its words")
                ?.Properties()
                .Select(value => KeyValuePair.Create(value.Name, value.Value.Text()))
                .ToArray();
            if (values is { Length: 0 })
            {
                place.Find("values")?.Wrong("the list is empty", "write at least one value with its words");
            }

            kinds.Add(new TagKind(id, place.TextOr("label", id), values ?? []) { Next = TagKind.Nexts.ReadFrom(place) });
        }

        return new Tags(kinds);
    }
}

/// <summary>Something a tap may say besides its outcome, such as the finish.</summary>
/// <param name="Id">How the tap names it.</param>
/// <param name="Label">What it is called.</param>
/// <param name="Values">The values by id, each with its words.</param>
public sealed record TagKind(string Id, string Label, IReadOnlyList<KeyValuePair<string, string>> Values)
{
    /// <summary>The rule for the tag value that the pad offers for the unit's next tap.</summary>
    public TagNext Next { get; init; }

    internal static Choices<TagNext> Nexts { get; } =
        new(
            "next",
            ("stays", TagNext.Stays, "the last one stands"),
            ("alternates", TagNext.Alternates, "they take turns"),
            ("asked", TagNext.Asked, "it is asked each time")
        );
}

/// <summary>Returns the tag values that the pad offers for the next tap, until the coach picks others.</summary>
public enum TagNext
{
    /// <summary>The value said last.</summary>
    Stays,

    /// <summary>The value after the one said last, round and round; at first the first.</summary>
    Alternates,

    /// <summary>None.</summary>
    Asked,
}

/// <summary>Finds the rule on a stage.</summary>
public static class TagsOfStage
{
    extension(Stage stage)
    {
        /// <summary>The tags of the stage; empty where the card lists none.</summary>
        public IReadOnlyList<TagKind> Tags => stage.Rule<Tags>()?.Kinds ?? [];
    }
}
