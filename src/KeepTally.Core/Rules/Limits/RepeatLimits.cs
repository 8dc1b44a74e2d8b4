using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Json;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Limits;

/// <summary>A limit on repeating the same tag value. Source: docs/formats.md, section 1, "Limits".</summary>
public sealed record RepeatLimits(IReadOnlyList<Limit> All) : StageRule
{
    private static readonly Choices<bool> Breaches = new(
        "breach",
        ("void", true, "does not count"),
        ("failure", false, "counts as a miss")
    );

    /// <summary>How the rule stands on a card.</summary>
    public static StageRuleKind Kind { get; } =
        new(
            property: "limits",
            label: "Limit on repeats",
            template: """[{"tag":"finish","within":1,"breach":"void"}]""",
            schema: Schema.List(Schema.Named("limit")),
            read: Read
        )
        {
            Definitions =
            [
                (
                    "limit",
                    Schema.Object(
                        new SchemaProperty("tag", Schema.FilledText, IsNeeded: true),
                        new SchemaProperty("within", Schema.Whole(1, 1000)),
                        new SchemaProperty("breach", Schema.OneOf(Breaches))
                    )
                ),
            ],
            Choices = [Breaches],
            Defaults = [("within", "1")],
            Parts = new Dictionary<string, string> { ["limits"] = """{"tag":"tag","within":1,"breach":"void"}""" },
        };

    internal override IEnumerable<string> Words(Stage stage) =>
        All.Select(limit =>
            Phrase.Sentence(
                (
                    limit.Within == 1
                        ? $"never the same {TagWords.Label(stage, limit.Tag)} twice running"
                        : $"never the same {TagWords.Label(stage, limit.Tag)} again within {Phrase.Of(limit.Within, "tap")}"
                ) + (limit.IsVoid ? "; a repeat does not count" : "; a repeat counts as a miss")
            )
        );

    internal override TapJudge? Judge(Stage stage) => All.Count == 0 ? null : new LimitJudge(All);

    private static RepeatLimits Read(JsonPlace stage) =>
        new(
            stage.List(
                Kind.Property,
                place =>
                {
                    place.Only("tag", "within", "breach");
                    return new Limit(
                        place.NeedText("tag", "the tag that may not repeat"),
                        place.Find("within")?.Whole(1, 1000) ?? 1,
                        Breaches.ReadFrom(place)
                    );
                }
            )
        );
}

/// <summary>A tag value may not stand again within a unit's last <paramref name="Within"/> counted taps that carry the tag.</summary>
/// <param name="Tag">The id of the tag.</param>
/// <param name="Within">How many taps back, 1 or more.</param>
/// <param name="IsVoid">Whether a tap that breaches it counts for nothing; else it is a failure without points or effects.</param>
public sealed record Limit(string Tag, int Within, bool IsVoid) : IBreach
{
    /// <inheritdoc/>
    public string Words(Stage stage, RunEvent.Tap tap) =>
        $"the same {TagWords.Label(stage, Tag)} again ({TagWords.Value(stage, Tag, tap.Tags![Tag])})";
}

/// <summary>Finds the rule on a stage.</summary>
public static class LimitsOfStage
{
    extension(Stage stage)
    {
        /// <summary>The limits on repeats; empty where the card has none.</summary>
        public IReadOnlyList<Limit> Limits => stage.Rule<RepeatLimits>()?.All ?? [];
    }
}
