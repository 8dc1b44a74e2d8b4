using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Measures;

/// <summary>The measures that rank the units, the first one first. Source: docs/formats.md, section 1, <c>measure</c>.</summary>
public sealed record Ranking(IReadOnlyList<Measure> Measures) : StageRule
{
    private static readonly Choices<Better> Betters = new(
        "better",
        ("high", Better.High, "the most"),
        ("low", Better.Low, "the least")
    );

    /// <summary>How the rule stands on a card.</summary>
    /// <param name="kinds">What units can be ranked by.</param>
    internal static StageRuleKind KindOf(IReadOnlyList<MeasureKind> kinds)
    {
        var by = By(kinds);
        return new StageRuleKind(
            property: "measure",
            label: "Ranking",
            template: """[{"by":"successes","better":"high"}]""",
            schema: Schema.List(Schema.Named("measure")),
            read: stage => Read(stage, by)
        )
        {
            Definitions =
            [
                (
                    "measure",
                    Schema.Object(
                        new SchemaProperty("by", Schema.OneOf(by), IsNeeded: true),
                        new SchemaProperty("better", Schema.OneOf(Betters))
                    )
                ),
            ],
            Choices = [Betters, by],
            Parts = new Dictionary<string, string> { ["measure"] = """{"by":"points","better":"high"}""" },
        };
    }

    /// <summary>The closed choice of what units can be ranked by.</summary>
    internal static Choices<MeasureKind> By(IReadOnlyList<MeasureKind> kinds) =>
        new("by", [.. kinds.Select(kind => (kind.Word, kind, kind.Label))]) { IsNeeded = true };

    internal override string Topic => "Over";

    internal override bool CountsRuns => Measures.Any(measure => measure.By.CountsRuns);

    /// <summary>Nothing where most points is all there is to say.</summary>
    internal override IEnumerable<string> Words(Stage stage)
    {
        if (Measures is not [{ By: var by, Better: Better.High }] || by != MeasureKinds.Points)
        {
            if (stage.Scores != Scorer.None)
            {
                yield return Phrase.Sentence(
                    "ranked by " + string.Join(", then by ", Measures.Select(measure => measure.By.Ranked(stage, measure.Better)))
                );
            }
        }
    }

    private static Ranking Read(JsonPlace stage, Choices<MeasureKind> by)
    {
        var measures = stage.List(
            "measure",
            place =>
            {
                place.Only("by", "better");
                return new Measure(ByOf(place, by), Betters.ReadFrom(place));
            }
        );
        return new Ranking(measures.Count > 0 ? measures : [new Measure(by.Usual, Better.High)]);
    }

    /// <summary>Reads the measure of an object that must name one.</summary>
    internal static MeasureKind ByOf(JsonPlace place, Choices<MeasureKind> by) =>
        place.Need("by", "what is measured") is { } found ? by.Read(found) : by.Usual;
}

/// <summary>One thing that ranks the units.</summary>
/// <param name="By">What is measured.</param>
/// <param name="Better">Which end of it is the good one.</param>
public sealed record Measure(MeasureKind By, Better Better)
{
    /// <summary>The value of a unit that it is ranked by, or null where it has none.</summary>
    internal double? ValueOf(in Figures figures) =>
        Better == Better.Low && By.LowIsOfFinished && !figures.Finished ? null : By.Value(figures);
}

/// <summary>Finds the rule on a stage.</summary>
public static class MeasuresOfStage
{
    private static readonly IReadOnlyList<Measure> Usual = [new(MeasureKinds.Points, Better.High)];
    private static readonly IReadOnlyList<Measure> ByOwnCount = [new(MeasureKinds.OwnCount, Better.High)];

    extension(Stage stage)
    {
        /// <summary>The measures that rank the units, the first one first; at least one.</summary>
        public IReadOnlyList<Measure> Measures => stage.Rule<Ranking>()?.Measures ?? Usual;

        /// <summary>The measures that rank the units as they played: own counts where nobody was tapped and some were reported.</summary>
        internal IReadOnlyList<Measure> RankedBy(bool tapped, bool saidOwn) => !tapped && saidOwn ? ByOwnCount : stage.Measures;
    }
}
