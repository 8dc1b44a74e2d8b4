using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Endings;

/// <summary>When it is over: the first ending that is met ends it. Source: docs/formats.md, section 1, <c>until</c>.</summary>
public sealed record Until(IReadOnlyList<Ending> Endings) : StageRule
{
    /// <summary>How the rule stands on a card.</summary>
    /// <param name="kinds">The kinds of ending there are.</param>
    internal static StageRuleKind KindOf(IReadOnlyList<EndingKind> kinds) =>
        new(
            property: "until",
            label: "Endings",
            template: $$"""[{"{{kinds[0].Property}}":{{kinds[0].Template}}}]""",
            schema: Schema.List(Schema.Named("ending")),
            read: stage => new Until(stage.List("until", place => Read(place, kinds)))
        )
        {
            Definitions = [("ending", Schema.One([.. kinds.Select(SchemaOf)]))],
            Choices =
            [
                new Choices<EndingKind>("ending", [.. kinds.Select(kind => (kind.Property, kind, kind.Label))]) { IsNeeded = true },
                .. kinds.SelectMany(kind => kind.Fields).Select(each => each.Field.Choices).OfType<Choices>(),
            ],
            Defaults = [.. kinds.SelectMany(kind => kind.Fields).Select(each => (each.Field.Property, each.Default))],
            Parts = new Dictionary<string, string> { ["until"] = $$"""{"{{kinds[0].Property}}":{{kinds[0].Template}}}""" },
        };

    internal override string Topic => "Over";

    internal override bool CountsRuns => Endings.Any(ending => ending.CountsRuns);

    internal override IEnumerable<string> Words(Stage stage)
    {
        yield return Phrase.Sentence(Over(stage));
        if (Endings.OfType<TimeEnding>().FirstOrDefault() is { } time)
        {
            yield return time.After == AtTheHorn.Cut
                ? "At the horn counting stops."
                : "The play under way at the horn still counts.";
        }
        else if (Endings.Count == 0 && stage is { Clock: not null, Outcomes.Count: > 0 } && !HasHeart(stage))
        {
            yield return "The last ball counts, until the coach ends it.";
        }
    }

    /// <summary>"first to 11 with a lead of 2, or over after 8 minutes".</summary>
    internal string Over(Stage stage)
    {
        if (Endings.Count > 0)
        {
            return string.Join(", or ", Endings.Select(ending => ending.Words(stage)));
        }

        var itself = EndsByItself(stage);
        return itself.Length > 0 ? itself
            : stage.Clock is not null ? "played until the clock runs out"
            : "over when the coach ends it";
    }

    /// <summary>How another rule of the stage ends it.</summary>
    private static string EndsByItself(Stage stage) =>
        stage.Rules.OfType<StageRule>().Select(rule => rule.Ends).FirstOrDefault(ends => ends.Length > 0, "");

    /// <summary>Whether another rule of the stage is what it is about.</summary>
    private static bool HasHeart(Stage stage) => stage.Rules.OfType<StageRule>().Any(rule => rule.Heart(stage).Any());

    private static Schema SchemaOf(EndingKind kind) =>
        Schema.Object([
            new SchemaProperty(kind.Property, kind.Amount, IsNeeded: true),
            .. kind.Fields.Select(each => new SchemaProperty(each.Field.Property, each.Schema)),
        ]);

    private static Ending Read(JsonPlace place, IReadOnlyList<EndingKind> kinds)
    {
        var fields = kinds.SelectMany(kind => kind.Fields.Select(each => (each.Field.Property, Kind: kind))).ToArray();
        place.Only([.. kinds.Select(kind => kind.Property), .. fields.Select(field => field.Property).Distinct()]);
        var named = kinds.Where(kind => place.Find(kind.Property) is not null).ToArray();
        if (named.Length != 1)
        {
            place.Wrong(
                named.Length == 0 ? "this says no condition" : "this says more than one condition",
                "write exactly one of " + string.Join(", ", kinds.Select(kind => kind.Property)) + " in each entry"
            );
            return new TapsEnding(1);
        }

        foreach (var field in fields.Where(field => field.Kind != named[0] && fields.All(each => !Own(each, field.Property))))
        {
            var with = field.Kind.Property;
            place.Find(field.Property)?.Wrong($"this only goes with {with}", $"remove it, or put it beside {with}");
        }

        return named[0].Read(place.Find(named[0].Property)!.Value, place);

        bool Own((string Property, EndingKind Kind) each, string property) => each.Kind == named[0] && each.Property == property;
    }
}

/// <summary>Finds the rule on a stage.</summary>
public static class UntilOfStage
{
    extension(Stage stage)
    {
        /// <summary>The endings; empty where another rule, the clock or the coach ends the stage.</summary>
        public IReadOnlyList<Ending> Until => stage.Rule<Until>()?.Endings ?? [];
    }
}
