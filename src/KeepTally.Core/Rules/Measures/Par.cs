using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Measures;

/// <summary>The standard to reach; shown and judged, never ending the stage. Source: docs/formats.md, section 1, <c>par</c>.</summary>
/// <param name="By">What is measured.</param>
/// <param name="Value">The standard, in the measure's own unit.</param>
public sealed record Par(MeasureKind By, double Value) : StageRule
{
    /// <summary>How the rule stands on a card.</summary>
    /// <param name="kinds">What a par can be set for.</param>
    internal static StageRuleKind KindOf(IReadOnlyList<MeasureKind> kinds)
    {
        var by = Ranking.By(kinds);
        return new StageRuleKind(
            property: "par",
            label: "A par",
            template: """{"by":"points","value":10}""",
            schema: Schema.Named("par"),
            read: stage => Read(stage, by)
        )
        {
            Definitions =
            [
                (
                    "par",
                    Schema.Object(
                        new SchemaProperty("by", Schema.OneOf(by), IsNeeded: true),
                        new SchemaProperty("value", Schema.AnyNumber, IsNeeded: true)
                    )
                ),
            ],
            Fields = [new RuleField("value", "Par"), new RuleField("by", "of", by)],
        };
    }

    internal override string Topic => "Over";

    internal override IEnumerable<string> Words(Stage stage) =>
        [Phrase.Sentence($"par: {By.Told(Value)}" + (By == MeasureKinds.Accuracy ? $" ({ResultNames.Success(stage)})" : ""))];

    private static Par? Read(JsonPlace stage, Choices<MeasureKind> by)
    {
        if (stage.Find("par") is not { } place)
        {
            return null;
        }

        place.Only("by", "value");
        return new Par(Ranking.ByOf(place, by), place.Need("value", "the standard to reach")?.Number() ?? 0);
    }
}

/// <summary>Finds the rule on a stage.</summary>
public static class ParOfStage
{
    extension(Stage stage)
    {
        /// <summary>The standard to reach, or null where none is set.</summary>
        public Par? Par => stage.Rule<Par>();
    }
}
