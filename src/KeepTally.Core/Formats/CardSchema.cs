using KeepTally.Core.Clock;
using KeepTally.Core.Json;
using KeepTally.Core.Layout;
using KeepTally.Core.Places;
using KeepTally.Core.Rulebook;

namespace KeepTally.Core.Formats;

/// <summary>
/// The JSON Schema (2020-12) of <c>keep-tally/drill@1</c>, put together from what each rule says of itself, so that a rule
/// cannot be read and be missing from the schema.
/// </summary>
public static class CardSchema
{
    private const string Meaning =
        "What a drill is: its purpose, its set-up and the rules of its stages. The meaning of every rule stands in docs/formats.md, section 1. The reader also holds the parts against each other: sides, places and options that are named must be there.";

    /// <summary>The schema of cards that read by a set of rules, as JSON.</summary>
    public static string Of(RuleSet rules) =>
        Card.Published("drill@1", $"Keep Tally drill card, {CardReader.Format}", Meaning)
            .Defining([
                ("houseRule", HouseRule),
                ("texts", Schema.Texts),
                ("outcome", OutcomeOf(rules)),
                .. rules.Stage.SelectMany(kind => kind.Definitions),
                ("clock", Clock),
                ("place", Place),
                ("move", Move),
                ("rotate", Rotate),
                ("stage", StageOf(rules)),
            ])
            .Text;

    private static Schema HouseRule =>
        Schema
            .TextLike(@"^\$")
            .Described(
                "The name of an option of the card, with a dollar sign before it: the chosen value is put in its place before reading."
            );

    private static Schema Card =>
        Schema.Object(
            new SchemaProperty("format", Schema.Const(CardReader.Format), IsNeeded: true),
            new SchemaProperty("id", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("name", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("purpose", Schema.AnyText),
            new SchemaProperty("sports", Schema.List(Schema.FilledText)),
            new SchemaProperty("skills", Schema.List(Schema.FilledText)),
            new SchemaProperty("intensity", Schema.Whole(1, 5)),
            new SchemaProperty(
                "players",
                Schema.Object(
                    new SchemaProperty("min", Schema.Whole(1, 99)),
                    new SchemaProperty("best", Schema.Whole(1, 99)),
                    new SchemaProperty("max", Schema.Whole(1, 99))
                )
            ),
            new SchemaProperty("minutes", Schema.Number(0, 600)),
            new SchemaProperty("secondsPerRep", Schema.Number(0.1, 3600)),
            new SchemaProperty("equipment", Equipment),
            new SchemaProperty("coaches", Schema.Whole(0, 50)),
            new SchemaProperty("setUp", Schema.Texts),
            new SchemaProperty("cues", Schema.Texts),
            new SchemaProperty("faults", Schema.Texts),
            new SchemaProperty(
                "cautions",
                Schema.List(
                    Schema.Object(
                        new SchemaProperty("kind", Schema.FilledText, IsNeeded: true),
                        new SchemaProperty("text", Schema.FilledText, IsNeeded: true)
                    )
                )
            ),
            new SchemaProperty("easier", Schema.Texts),
            new SchemaProperty("harder", Schema.Texts),
            new SchemaProperty("variantOf", Schema.AnyText),
            new SchemaProperty(
                "load",
                Schema.Object(
                    new SchemaProperty("kind", Schema.FilledText, IsNeeded: true),
                    new SchemaProperty("per", Schema.AnyText)
                )
            ),
            new SchemaProperty(
                "options",
                Schema.Map(
                    Schema.Object(
                        new SchemaProperty("label", Schema.FilledText, IsNeeded: true),
                        new SchemaProperty("choices", Schema.Map(Schema.AnyText), IsNeeded: true),
                        new SchemaProperty("default", Schema.FilledText, IsNeeded: true)
                    )
                )
            ),
            new SchemaProperty("stages", Schema.List(Schema.Named("stage")).AtLeastOne(), IsNeeded: true),
            new SchemaProperty("layout", LayoutSchema.Layout)
        );

    private static Schema StageOf(RuleSet rules) =>
        Schema.Object([
            new SchemaProperty("name", Schema.AnyText),
            new SchemaProperty("scores", Schema.OneOf(CardChoices.Scorers)),
            new SchemaProperty("play", Schema.OneOf(CardChoices.Plays)),
            new SchemaProperty("sides", Schema.Texts),
            new SchemaProperty("outcomes", Schema.List(Schema.Named("outcome"))),
            .. rules.Stage.Select(kind => new SchemaProperty(kind.Property, kind.Schema)),
            new SchemaProperty("ball", Schema.AnyText),
            new SchemaProperty("clock", Schema.Named("clock")),
            new SchemaProperty("roles", Schema.Texts),
            new SchemaProperty("reminders", Schema.Texts),
            new SchemaProperty("asks", Schema.Texts),
            new SchemaProperty("askOrder", Schema.OneOf(CardChoices.AskOrders)),
            new SchemaProperty("places", Schema.List(Schema.Named("place"))),
            new SchemaProperty("moves", Schema.List(Schema.Named("move"))),
            new SchemaProperty("rotate", Schema.Named("rotate")),
            new SchemaProperty("versus", Versus),
        ]);

    private static Schema Equipment =>
        Schema.List(
            Schema.Object(
                new SchemaProperty("item", Schema.FilledText, IsNeeded: true),
                new SchemaProperty("count", Schema.Whole(0, 999)),
                new SchemaProperty("per", Schema.OneOf(CardChoices.Per))
            )
        );

    private static Schema Versus =>
        Schema
            .Map(
                Schema.Object(
                    new SchemaProperty("name", Schema.AnyText),
                    new SchemaProperty("places", Schema.List(Schema.Named("place")), IsNeeded: true),
                    new SchemaProperty("moves", Schema.List(Schema.Named("move"))),
                    new SchemaProperty("setUp", Schema.Texts),
                    new SchemaProperty("equipment", Equipment),
                    new SchemaProperty("layout", LayoutSchema.Layout)
                )
            )
            .Described("How the stage is played with another number on each side, by that number.");

    private static Schema OutcomeOf(RuleSet rules) =>
        Schema.Object(
            new SchemaProperty("id", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("label", Schema.AnyText),
            new SchemaProperty(
                "said",
                Schema.AnyText.Described("How the outcome stands in a sentence, such as \"any other goal\".")
            ),
            new SchemaProperty("key", Schema.OneCharacter),
            new SchemaProperty("result", Schema.OneOf(CardChoices.Results)),
            new SchemaProperty(
                "points",
                Schema.Any(
                    Schema.AnyNumber,
                    Schema.Map(Schema.AnyNumber).Described("Points by recipient: self, other, or the id of a unit.")
                )
            ),
            new SchemaProperty("does", Schema.List(Schema.OneOf(rules.EffectChoices))),
            new SchemaProperty("by", Schema.AnyText.Described("ball, offBall, or the id of a side.")),
            new SchemaProperty(
                "job",
                Schema.AnyText.Described("The spot whose player it is counted for, no matter whose go it is.")
            ),
            new SchemaProperty("reading", Schema.AnyText.Described("What the number of the tap is: s, m, throws, km/h ..."))
        );

    private static Schema Clock =>
        Schema.Object(
            new SchemaProperty("work", Schema.Number(0.001, Day), IsNeeded: true),
            new SchemaProperty("change", Schema.Number(0, Day)),
            new SchemaProperty("rounds", Schema.Whole(1, 1000)),
            new SchemaProperty("countIn", Schema.Number(0, Day)),
            new SchemaProperty("calls", Schema.List(Schema.Number(0, Day))),
            new SchemaProperty(
                "breakAfter",
                Schema.Object(
                    new SchemaProperty("round", Schema.Whole(1, 999), IsNeeded: true),
                    new SchemaProperty("seconds", Schema.Number(0, Day))
                )
            ),
            new SchemaProperty(
                "surprise",
                Schema.Object(new SchemaProperty("min", Schema.Number(0, Day)), new SchemaProperty("max", Schema.Number(0, Day)))
            ),
            new SchemaProperty("rep", Schema.Number(0.001, Day)),
            new SchemaProperty("repFrom", Schema.OneOf(ClockChoices.RepStarts))
        );

    private static Schema Place =>
        Schema.Object(
            new SchemaProperty("id", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("kind", Schema.OneOf(PlaceChoices.Kinds)),
            new SchemaProperty("size", Schema.Whole(1, 99)),
            new SchemaProperty("role", Schema.AnyText),
            new SchemaProperty("active", Schema.Boolean),
            new SchemaProperty("scores", Schema.Boolean),
            new SchemaProperty("side", Schema.AnyText),
            new SchemaProperty("filledBy", Schema.OneOf(PlaceChoices.Fillers))
        );

    private static Schema Move =>
        Schema.Object(
            new SchemaProperty("from", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("to", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("who", Schema.OneOf(PlaceChoices.Movers)),
            new SchemaProperty("when", Schema.OneOf(PlaceChoices.Whens))
        );

    private static Schema Rotate =>
        Schema.Object(
            new SchemaProperty("on", Schema.OneOf(PlaceChoices.Triggers)),
            new SchemaProperty("every", Schema.Whole(1, 1000)),
            new SchemaProperty(
                "turnRound",
                Schema.Whole(1, 1000).Described("After so many rotations the moves go the other way, after so many more as before.")
            )
        );

    private const double Day = ClockReader.LongestSeconds;
}
